'use client';

import { useEffect } from 'react';
import { keepPages } from '@/workers/offline/client';

/** How often what is kept is made anew, and how long after a page is there it begins, ms. */
const EVERY_MS = 10 * 60_000;
const FIRST_MS = 15_000;

async function keepNow(worker: ServiceWorkerRegistration): Promise<void> {
  if (!navigator.onLine || document.visibilityState === 'hidden') return;
  const answer = await fetch('/api/v1/keep').catch(() => null);
  if (!answer?.ok) return;
  const { urls } = (await answer.json()) as { urls: string[] };
  keepPages(worker, urls);
}

/** While the application is being worked on, nothing kept stands between its pages and who works on them. */
async function forget(): Promise<void> {
  for (const worker of await navigator.serviceWorker.getRegistrations()) await worker.unregister();
}

/** Sets up the service worker, and has it keep the pages of the floor for the person who is signed in. */
export function KeepPages() {
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    if (process.env.NODE_ENV === 'development') return void forget();
    let over = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const begin = async () => {
      await navigator.serviceWorker.register('/sw.js', { scope: '/' });
      const worker = await navigator.serviceWorker.ready;
      const again = async () => {
        if (over) return;
        await keepNow(worker);
        timer = setTimeout(() => void again(), EVERY_MS);
      };
      timer = setTimeout(() => void again(), FIRST_MS);
    };
    /* Without one, as where there is no safe connection, everything works as long as the network does. */
    void begin().catch(() => undefined);
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, []);
  return null;
}
