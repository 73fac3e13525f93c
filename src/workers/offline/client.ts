import { PAGE_CACHE, type ToWorker } from './protocol';

/** Takes every kept page off this device: at signing out, whoever comes next sees none of them. */
export async function forgetPages(): Promise<void> {
  if (!('caches' in globalThis)) return;
  await caches.delete(PAGE_CACHE);
}

/** Asks the service worker to keep these pages. */
export function keepPages(worker: ServiceWorkerRegistration, urls: string[]): void {
  const say: ToWorker = { kind: 'keep', urls };
  worker.active?.postMessage(say);
}
