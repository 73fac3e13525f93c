'use client';

import { useSyncExternalStore } from 'react';
import { useShow } from './show-context';

const EVERY_MS = 5000;

/** One clock for every time on a page: it goes while somebody looks at it. */
let nowS = 0;
let timer: ReturnType<typeof setInterval> | undefined;
const watchers = new Set<() => void>();

const tick = () => {
  nowS = Date.now() / 1000;
  for (const told of watchers) told();
};

function watch(told: () => void): () => void {
  if (watchers.size === 0) {
    timer = setInterval(tick, EVERY_MS);
    nowS = Date.now() / 1000;
  }
  watchers.add(told);
  return () => {
    watchers.delete(told);
    if (watchers.size === 0) clearInterval(timer);
  };
}

/** The time now, epoch s, going on by itself; what the server said until the page is alive, and when it said something newer. */
export function useNow(madeS: number): number {
  const hereS = useSyncExternalStore(
    watch,
    () => nowS,
    () => 0,
  );
  return Math.max(hereS, madeS);
}

/** "Thu 14:20 · in 35 min", going on by itself: also on a page that was kept on the device. */
export function When({ at, nowS: madeS }: { at: number; nowS: number }) {
  const show = useShow();
  return show.when(at, useNow(madeS));
}

/** How long a step of a cooling rule has left, and how long ago that ran out. */
export function Left({ until, nowS: madeS }: { until: number; nowS: number }) {
  const show = useShow();
  const left = until - useNow(madeS);
  return (
    <strong className={left < 900 ? 'text-bad' : ''}>
      {left > 0
        ? `${show.duration(left)} left, until ${show.time(until)}`
        : `run out ${show.duration(-left)} ago`}
    </strong>
  );
}
