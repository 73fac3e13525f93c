import { PAGE_CACHE, type ToWorker } from './protocol';

/** A worker that does not answer holds nobody back for longer, ms. */
const LONGEST_MS = 2000;

const worker = async () => navigator.serviceWorker?.getRegistration();

/** How this device is reached, where its alarms are switched on. */
export const reachedBy = async (): Promise<PushSubscription | null> =>
  (await (await worker())?.pushManager?.getSubscription()) ?? null;

const tellServer = (method: 'POST' | 'DELETE', body: unknown) =>
  fetch('/api/v1/push', {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });

/**
 * Switches the alarms of this device on, for the person who is signed in.
 * @param publicKey the site's, as its server knows it
 * @throws Error where the browser, its owner or the server does not let it
 */
export async function reachHere(publicKey: string): Promise<void> {
  const { pushManager } = await navigator.serviceWorker.ready;
  /* One of another key, or of who was signed in before, is worth nothing. */
  await (await pushManager.getSubscription())?.unsubscribe();
  const made = await pushManager.subscribe({
    userVisibleOnly: true,
    applicationServerKey: publicKey,
  });
  const answer = await tellServer('POST', made.toJSON());
  if (answer.ok) return;
  await made.unsubscribe();
  throw new Error(`refused with ${answer.status}`);
}

/** Switches them off: here first, so that nothing more comes even where the server is out of reach. */
export async function reachNoMore(): Promise<void> {
  const reached = await reachedBy();
  if (!reached) return;
  await reached.unsubscribe();
  await tellServer('DELETE', { endpoint: reached.endpoint }).catch(() => undefined);
}

/** A device is named to the server by this alone where no more is needed. */
async function markOf(endpoint: string): Promise<string> {
  const bytes = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(endpoint));
  return [...new Uint8Array(bytes)].map((b) => b.toString(16).padStart(2, '0')).join('');
}

/** Are alarms of the person who is signed in sent to this device? */
export async function isReachedHere(): Promise<boolean> {
  const reached = await reachedBy();
  if (!reached) return false;
  const answer = await fetch(`/api/v1/push?of=${await markOf(reached.endpoint)}`);
  return answer.ok && ((await answer.json()) as { mine: boolean }).mine;
}

/** At signing in: whoever was here before may have lost the session without signing out. Alarms of the same person go on. */
export async function arriveAtDevice(): Promise<void> {
  const others = async () => {
    if ((await reachedBy()) && !(await isReachedHere())) await reachNoMore();
  };
  await Promise.allSettled([others(), forgetPages()]);
}

/** At signing out: whoever comes next sees nothing and is told nothing of who was here before. */
export async function leaveDevice(): Promise<void> {
  await Promise.allSettled([reachNoMore(), forgetPages()]);
}

/** Takes every kept page off this device. */
async function forgetPages(): Promise<void> {
  if (!('caches' in globalThis)) return;
  const active = (await worker())?.active;
  if (active) await told(active);
  await caches.delete(PAGE_CACHE);
}

/** Has the worker forget, and waits until it has: what it is fetching just now is not kept after that. */
function told(active: ServiceWorker): Promise<void> {
  const { port1, port2 } = new MessageChannel();
  const say: ToWorker = { kind: 'forget' };
  return new Promise((resolve) => {
    port1.onmessage = () => resolve();
    setTimeout(resolve, LONGEST_MS);
    active.postMessage(say, [port2]);
  });
}

/** Asks the service worker to keep these pages. */
export function keepPages(kept: ServiceWorkerRegistration, urls: string[]): void {
  const say: ToWorker = { kind: 'keep', urls };
  kept.active?.postMessage(say);
}
