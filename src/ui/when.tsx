'use client';

import { useEffect, useState } from 'react';
import { useShow } from './show-context';

const EVERY_MS = 5000;

/** The time now, epoch s, going on by itself; what the server said until the page is alive, and when it said something newer. */
export function useNow(madeS: number): number {
  const [nowS, setNow] = useState(madeS);
  useEffect(() => {
    const tick = () => setNow(Math.max(madeS, Date.now() / 1000));
    tick();
    const timer = setInterval(tick, EVERY_MS);
    return () => clearInterval(timer);
  }, [madeS]);
  return Math.max(nowS, madeS);
}

/** "Thu 14:20 · in 35 min", going on by itself: also on a page that was kept on the device. */
export function When({ at, nowS }: { at: number; nowS: number }) {
  const show = useShow();
  return show.when(at, useNow(nowS));
}

/** "35 min left, until 14:20", and how long ago it ran out. */
export function Left({ until, nowS, ranOut }: { until: number; nowS: number; ranOut: string }) {
  const show = useShow();
  const left = until - useNow(nowS);
  return left > 0
    ? `${show.duration(left)} left, until ${show.time(until)}`
    : `${ranOut} ${show.duration(left)} ago`;
}
