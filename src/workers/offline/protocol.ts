/** Caches of the service worker: what the build made, and the pages of the person who is signed in. */
export const STATIC_CACHE = 'jolly-static';
export const PAGE_CACHE = 'jolly-pages';

/** A kept page is shown for so long, s: a shift and a night. */
export const PAGE_AGE_S = 24 * 3600;

/** What a message to a device says: shown by the device, also while no page is open. */
export type PushSays = {
  title: string;
  body: string;
  /** The page that it opens. */
  url: string;
  /** Messages of one alarm take each other's place. */
  tag: string;
};

/** What a page tells the service worker. */
export type ToWorker = { kind: 'keep'; urls: string[] } | { kind: 'forget' };

/** Pages of the floor: what is opened with wet hands where no network is. */
export const FLOOR_PAGES = [
  '/',
  '/batches/[id]',
  '/batches/[id]/stuffing',
  '/batches/[id]/house',
  '/batches/[id]/verdict',
  '/batches/[id]/log',
  '/house',
  '/house/[id]',
  '/house/[id]/map',
  '/recipes/[id]/sheet',
  '/stores/casings',
  '/cleaning',
] as const;
export type FloorPage = (typeof FLOOR_PAGES)[number];

const PATTERNS = FLOOR_PAGES.map((p) => new RegExp(`^${p.replace('[id]', '[^/]+')}$`));

/** Is this a page that is kept on the device? */
export const isFloorPage = (pathname: string): boolean =>
  pathname !== '/batches/new' && PATTERNS.some((p) => p.test(pathname));

/** The address of a page of the floor. */
export const floorAddress = (page: FloorPage, id = ''): string =>
  page.replace('[id]', encodeURIComponent(id));
