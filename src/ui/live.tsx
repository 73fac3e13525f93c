'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { quietMs, reloadByItself } from './typed/wake';

type Change = { topic: 'batch' | 'house'; id: string };
/** How soon a page follows what it shows itself, readings, which come all the time, and what it only mentions, ms. */
const SOON_MS = 700;
const READINGS_MS = 5000;
const MENTIONED_MS = 5000;
/** Pages that show what is running now; the others only name a batch or a lot. */
const SHOWS_RUNNING = /^\/($|house|batches\/|plan|cleaning)/;

/** How soon the page at a path follows a change; null where the next tick of the clock is soon enough. */
function followMs(path: string, { topic, id }: Change): number | null {
  if (!SHOWS_RUNNING.test(path)) return topic === 'batch' ? MENTIONED_MS : null;
  const own = /^\/batches\/([0-9a-f-]{36})/.exec(path)?.[1];
  /* A page with the curves of a house follows each reading; pages that sum up many houses do so less often. */
  if (topic === 'house') return own || path === `/house/${id}` ? SOON_MS : READINGS_MS;
  return own === undefined || id === '' || id.startsWith(own) ? SOON_MS : null;
}
const CLOCK_MS = 15_000;
/** A page of an older build reloads once nobody has typed or pressed for so long; whatever is open, after the longest, ms. */
const QUIET_MS = 3000;
const LONGEST_OLD_MS = 60_000;
const LOOK_MS = 500;

/** Takes the page of the newer build as soon as it disturbs nobody; what is typed is kept for it (`ui/typed`). */
function reloadWhenQuiet(): () => void {
  const endMs = Date.now() + LONGEST_OLD_MS;
  const timer = setInterval(() => {
    const isBusy = quietMs() < QUIET_MS || document.querySelector('[role="dialog"]') !== null;
    if (isBusy && Date.now() < endMs) return;
    clearInterval(timer);
    reloadByItself();
  }, LOOK_MS);
  return () => clearInterval(timer);
}

/**
 * Refreshes the page's server-rendered parts when something changes, and now and then for the clock.
 * @param lastSeq the last entry that the page has: what was recorded since then is asked for
 */
export function Live({ lastSeq }: { lastSeq: number }) {
  const router = useRouter();
  const [lost, setLost] = useState(false);
  const [since] = useState(lastSeq);
  useEffect(() => {
    let waiting: { timer: ReturnType<typeof setTimeout>; atMs: number } | null = null;
    let endOld: (() => void) | null = null;
    let away = false;
    let missed = false;
    const isLinked = () => !away && navigator.onLine;
    const refresh = (afterMs: number = SOON_MS) => {
      /* Without a link nothing new comes, and a page that is asked for in vain loses what was typed into it. */
      if (!isLinked() || endOld) return;
      const atMs = Date.now() + afterMs;
      if (waiting && waiting.atMs <= atMs) return;
      if (waiting) clearTimeout(waiting.timer);
      const timer = setTimeout(() => {
        waiting = null;
        /* The link may have gone while it waited. */
        if (isLinked()) router.refresh();
        else missed = true;
      }, afterMs);
      waiting = { timer, atMs };
    };
    const source = new EventSource(`/api/v1/events?since=${since}`);
    source.addEventListener('change', (e: MessageEvent<string>) => {
      const afterMs = followMs(location.pathname, JSON.parse(e.data) as Change);
      if (afterMs !== null) refresh(afterMs);
    });
    source.addEventListener('build', (e: MessageEvent<string>) => {
      if (e.data !== document.documentElement.dataset.build) endOld ??= reloadWhenQuiet();
    });
    source.addEventListener('signed_out', () => {
      source.close();
      refresh();
    });
    source.onopen = () => {
      away = false;
      setLost(false);
      if (missed) refresh();
      missed = false;
    };
    /* Refused for good, as with too many windows open: the clock still refreshes. */
    source.onerror = () => {
      missed = true;
      away = source.readyState !== EventSource.CLOSED;
      setLost(away);
    };
    const tick = setInterval(() => refresh(), CLOCK_MS);
    /* Taken out of the pocket again: what happened meanwhile is shown at once. */
    const back = () => document.visibilityState === 'visible' && refresh();
    document.addEventListener('visibilitychange', back);
    return () => {
      source.close();
      clearInterval(tick);
      document.removeEventListener('visibilitychange', back);
      if (waiting) clearTimeout(waiting.timer);
      endOld?.();
    };
  }, [router, since]);
  if (!lost) return null;
  return (
    <p role="status" className="bg-wait-wash px-4 py-2 font-semibold text-wait">
      No link to the server. Figures may be old; it is being tried again.
    </p>
  );
}
