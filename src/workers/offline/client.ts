import { PAGE_CACHE, type ToWorker } from './protocol';

/** A worker that does not answer holds nobody back for longer, ms. */
const LONGEST_MS = 2000;

/** Takes every kept page off this device: at signing out, whoever comes next sees none of them. */
export async function forgetPages(): Promise<void> {
  if (!('caches' in globalThis)) return;
  const worker = (await navigator.serviceWorker?.getRegistration())?.active;
  if (worker) await told(worker);
  await caches.delete(PAGE_CACHE);
}

/** Has the worker forget, and waits until it has: what it is fetching just now is not kept after that. */
function told(worker: ServiceWorker): Promise<void> {
  const { port1, port2 } = new MessageChannel();
  const say: ToWorker = { kind: 'forget' };
  return new Promise((resolve) => {
    port1.onmessage = () => resolve();
    setTimeout(resolve, LONGEST_MS);
    worker.postMessage(say, [port2]);
  });
}

/** Asks the service worker to keep these pages. */
export function keepPages(worker: ServiceWorkerRegistration, urls: string[]): void {
  const say: ToWorker = { kind: 'keep', urls };
  worker.active?.postMessage(say);
}
