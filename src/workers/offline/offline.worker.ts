import { CacheFirst, ExpirationPlugin, NetworkFirst, Serwist, type SerwistPlugin } from 'serwist';
import { PAGE_AGE_S, PAGE_CACHE, STATIC_CACHE, isFloorPage, type ToWorker } from './protocol';

/** What of a service worker's surroundings is used here. */
declare const self: {
  addEventListener: (type: string, listener: (e: never) => void) => void;
  location: Location;
};

const forget = () => caches.delete(PAGE_CACHE);

/** A page that says "sign in first" is kept by nobody, and ends what was kept for whoever was signed in before. */
const signedIn: SerwistPlugin = {
  fetchDidSucceed: async ({ response }) => {
    if (response.redirected && new URL(response.url).pathname === '/sign-in') await forget();
    return response;
  },
  cacheWillUpdate: async ({ response }) =>
    response.status === 200 && !response.redirected ? response : null,
};

/** A page for later: made now, and otherwise as it was kept, for a day. */
const pages = new NetworkFirst({
  cacheName: PAGE_CACHE,
  networkTimeoutSeconds: 6,
  matchOptions: { ignoreVary: true, ignoreSearch: true },
  plugins: [signedIn, new ExpirationPlugin({ maxEntries: 120, maxAgeSeconds: PAGE_AGE_S })],
});

/** What the build made has its content in its name. */
const built = new CacheFirst({
  cacheName: STATIC_CACHE,
  plugins: [new ExpirationPlugin({ maxEntries: 500, maxAgeSeconds: 30 * 24 * 3600 })],
});

const serwist = new Serwist({
  skipWaiting: true,
  clientsClaim: true,
  disableDevLogs: true,
  runtimeCaching: [
    {
      matcher: ({ url, sameOrigin }) =>
        sameOrigin && (url.pathname.startsWith('/_next/static/') || url.pathname === '/icon.svg'),
      handler: built,
    },
    {
      matcher: ({ url, request, sameOrigin }) =>
        sameOrigin && request.mode === 'navigate' && isFloorPage(url.pathname),
      handler: pages,
    },
  ],
});
serwist.addEventListeners();

/** Scripts and styles that a page names: it opens with them or not at all. */
const partsOf = (html: string): string[] => [
  ...new Set([...html.matchAll(/\/_next\/static\/[^"'\\\s)]+/g)].map((m) => m[0])),
];

/** Fetches a page and what it is made of, so that it opens without a network. */
async function keep(path: string): Promise<void> {
  const url = new URL(path, self.location.origin);
  if (!isFloorPage(url.pathname)) return;
  const answer = await fetch(url, { headers: { accept: 'text/html' }, credentials: 'same-origin' });
  if (!answer.ok || answer.redirected) return;
  const html = await answer.clone().text();
  await (await caches.open(PAGE_CACHE)).put(url, answer);
  const store = await caches.open(STATIC_CACHE);
  for (const part of partsOf(html))
    if (!(await store.match(part))) await store.add(part).catch(() => undefined);
}

async function keepAll(urls: readonly string[]): Promise<void> {
  for (const url of urls) await keep(url).catch(() => undefined);
}

type Message = { data: ToWorker; waitUntil: (work: Promise<unknown>) => void };
self.addEventListener('message', (e: Message) => {
  if (e.data?.kind === 'keep') e.waitUntil(keepAll(e.data.urls));
  if (e.data?.kind === 'forget') e.waitUntil(forget());
});
