import {
  CacheFirst,
  ExpirationPlugin,
  NetworkFirst,
  NetworkOnly,
  Serwist,
  type RouteHandlerCallback,
  type SerwistPlugin,
} from 'serwist';
import {
  PAGE_AGE_S,
  PAGE_CACHE,
  STATIC_CACHE,
  isFloorPage,
  type PushSays,
  type ToWorker,
} from './protocol';

/** Every script, style and font that the build made; the build writes them in. Pages load some of them only when they need them. */
declare const JOLLY_BUILT: string[];

/** An open page of this site. */
type Page = {
  url: string;
  focus: () => Promise<Page>;
  navigate: (url: string) => Promise<unknown>;
};

/** What of a service worker's surroundings is used here. */
declare const self: {
  addEventListener: (type: string, listener: (e: never) => void) => void;
  location: Location;
  registration: ServiceWorkerRegistration;
  clients: {
    matchAll: (of: { type: 'window' }) => Promise<Page[]>;
    openWindow: (url: string) => Promise<unknown>;
  };
};

/** Grows whenever what is kept is forgotten: what was being fetched before that is kept no more. */
let turn = 0;

const forget = () => {
  turn += 1;
  return caches.delete(PAGE_CACHE);
};

/** A page that says "sign in first" is kept by nobody, and ends what was kept for whoever was signed in before. */
const signedIn: SerwistPlugin = {
  fetchDidSucceed: async ({ response }) => {
    if (response.redirected && new URL(response.url).pathname === '/sign-in') await forget();
    return response;
  },
  cacheWillUpdate: async ({ response }) =>
    response.status === 200 && !response.redirected ? response : null,
};

/**
 * A page of the floor: as it is now, however long that takes; as it was kept, for a day, only where the network does not
 * answer at all. A copy with live buttons is worse than a page that is still loading.
 */
const pages = new NetworkFirst({
  cacheName: PAGE_CACHE,
  matchOptions: { ignoreVary: true, ignoreSearch: true },
  plugins: [signedIn, new ExpirationPlugin({ maxEntries: 120, maxAgeSeconds: PAGE_AGE_S })],
});

/** What the build made has its content in its name. */
const built = new CacheFirst({
  cacheName: STATIC_CACHE,
  plugins: [new ExpirationPlugin({ maxEntries: 500, maxAgeSeconds: 30 * 24 * 3600 })],
});

/**
 * The script of a web worker, under the address it was asked for. A kept response carries the address it was kept under,
 * without the fragment; in the fragment the framework tells a worker where its chunks are, and without it no worker starts.
 */
const workerScript: RouteHandlerCallback = async (options) => {
  const { body, status, statusText, headers } = await built.handle(options);
  return new Response(body, { status, statusText, headers });
};

const isBuilt = (url: URL) =>
  url.pathname.startsWith('/_next/static/') || url.pathname === '/icon.svg';

const serwist = new Serwist({
  skipWaiting: true,
  clientsClaim: true,
  disableDevLogs: true,
  runtimeCaching: [
    {
      matcher: ({ url, request, sameOrigin }) =>
        sameOrigin && isBuilt(url) && request.destination === 'worker',
      handler: workerScript,
    },
    { matcher: ({ url, sameOrigin }) => sameOrigin && isBuilt(url), handler: built },
    {
      matcher: ({ url, request, sameOrigin }) =>
        sameOrigin && request.mode === 'navigate' && isFloorPage(url.pathname),
      handler: pages,
    },
    {
      matcher: ({ request, sameOrigin }) => sameOrigin && request.mode === 'navigate',
      handler: new NetworkOnly(),
    },
  ],
});
/** What is said where a page was never kept: plain, with the way to those that were. */
const NOT_KEPT = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>No network: Jolly Kettle</title>
<style>
:root{color-scheme:light dark}
body{font:1.1rem/1.5 system-ui;margin:2rem;max-width:36rem;background:light-dark(#f7f2e8,#191613);color:light-dark(#26211a,#f3ebdd)}
a{display:inline-block;padding:.75rem 0;color:light-dark(#0b5d5a,#7fd3c6)}
</style><body>
<h1>No network, and this page is not kept here</h1>
<p>What you logged is safe on this device and will be sent. The Floor and the pages of open batches and houses are kept.</p>
<p><a href="/">To the Floor</a></p>`;
serwist.setCatchHandler(async ({ request }) =>
  request.mode === 'navigate'
    ? new Response(NOT_KEPT, {
        status: 503,
        headers: { 'content-type': 'text/html; charset=utf-8' },
      })
    : Response.error(),
);
serwist.addEventListeners();

/** Keeps what the build made: a page opens with it or not at all. */
async function keepBuilt(): Promise<void> {
  const store = await caches.open(STATIC_CACHE);
  for (const part of JOLLY_BUILT)
    if (!(await store.match(part))) await store.add(part).catch(() => undefined);
}

/** A page that was kept less than this long ago is not fetched again, s: it was looked at just now. */
const FRESH_S = 5 * 60;

async function isFresh(url: URL): Promise<boolean> {
  const kept = await (await caches.open(PAGE_CACHE)).match(url, { ignoreVary: true });
  const madeMs = Date.parse(kept?.headers.get('date') ?? '');
  return Date.now() - madeMs < FRESH_S * 1000;
}

/** Fetches a page, so that it opens without a network. */
async function keep(path: string, asked: number): Promise<void> {
  const url = new URL(path, self.location.origin);
  if (!isFloorPage(url.pathname) || (await isFresh(url))) return;
  const answer = await fetch(url, { headers: { accept: 'text/html' }, credentials: 'same-origin' });
  if (!answer.ok || answer.redirected || asked !== turn) return;
  await (await caches.open(PAGE_CACHE)).put(url, answer);
}

async function keepAll(urls: readonly string[]): Promise<void> {
  const asked = turn;
  await keepBuilt();
  for (const url of urls) if (asked === turn) await keep(url, asked).catch(() => undefined);
}

type Message = {
  data: ToWorker;
  ports: readonly MessagePort[];
  waitUntil: (work: Promise<unknown>) => void;
};
self.addEventListener('message', (e: Message) => {
  if (e.data?.kind === 'keep') e.waitUntil(keepAll(e.data.urls));
  if (e.data?.kind === 'forget')
    e.waitUntil(forget().then((gone) => e.ports[0]?.postMessage(gone)));
});

type Pushed = {
  data: { json: () => PushSays } | null;
  waitUntil: (work: Promise<unknown>) => void;
};
/** An alarm that was sent to this device: shown also while no page is open. */
self.addEventListener('push', (e: Pushed) => {
  if (!e.data) return;
  const { title, body, url, tag } = e.data.json();
  const how = { body, tag, renotify: true, requireInteraction: true, icon: '/icon-192.png' };
  e.waitUntil(self.registration.showNotification(title, { ...how, data: { url } }));
});

/** Opens the page of an alarm, in a window that is open already where there is one. */
async function open(path: string): Promise<void> {
  const url = new URL(path, self.location.origin).href;
  const [page] = await self.clients.matchAll({ type: 'window' });
  if (!page) await self.clients.openWindow(url);
  else await (await page.focus()).navigate(url);
}

type Pressed = {
  notification: Notification;
  waitUntil: (work: Promise<unknown>) => void;
};
self.addEventListener('notificationclick', (e: Pressed) => {
  e.notification.close();
  e.waitUntil(open((e.notification.data as { url: string }).url));
});
