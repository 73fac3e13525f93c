'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';

const AT_MOST_EVERY_MS = 700;
const CLOCK_MS = 15_000;

/**
 * Refreshes the page's server-rendered parts when something changes, and now and then for the clock.
 * @param lastSeq the last entry that the page has: what was recorded since then is asked for
 */
export function Live({ lastSeq }: { lastSeq: number }) {
  const router = useRouter();
  const [lost, setLost] = useState(false);
  const [since] = useState(lastSeq);
  useEffect(() => {
    let waiting: ReturnType<typeof setTimeout> | null = null;
    let away = false;
    let missed = false;
    const isLinked = () => !away && navigator.onLine;
    const refresh = () => {
      /* Without a link nothing new comes, and a page that is asked for in vain loses what was typed into it. */
      if (!isLinked()) return;
      waiting ??= setTimeout(() => {
        waiting = null;
        /* The link may have gone while it waited. */
        if (isLinked()) router.refresh();
        else missed = true;
      }, AT_MOST_EVERY_MS);
    };
    const source = new EventSource(`/api/v1/events?since=${since}`);
    source.addEventListener('change', refresh);
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
    const tick = setInterval(refresh, CLOCK_MS);
    /* Taken out of the pocket again: what happened meanwhile is shown at once. */
    const back = () => document.visibilityState === 'visible' && refresh();
    document.addEventListener('visibilitychange', back);
    return () => {
      source.close();
      clearInterval(tick);
      document.removeEventListener('visibilitychange', back);
      if (waiting) clearTimeout(waiting);
    };
  }, [router, since]);
  if (!lost) return null;
  return (
    <p role="status" className="bg-wait-wash px-4 py-2 font-semibold text-wait">
      No link to the server. Figures may be old; it is being tried again.
    </p>
  );
}
