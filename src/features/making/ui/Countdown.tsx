'use client';

import { useEffect, useState } from 'react';
import { riseRate, type TimedTemp } from '@/core';
import { useShow } from '@/ui/show-context';

const EVERY_MS = 1000;
/** From here on it is nearly there, s. */
const SOON_S = 45;

const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`;

/** Seconds left of a chop until its ceiling, so large that it is read from the other side of the bowl. */
export function Countdown({ readings, limitC }: { readings: TimedTemp[]; limitC: number }) {
  const show = useShow();
  const [nowS, setNowS] = useState<number | null>(null);
  useEffect(() => {
    const tick = () => setNowS(Date.now() / 1000);
    tick();
    const timer = setInterval(tick, EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  if (readings.length === 0 || nowS === null)
    return (
      <p className="small">
        Measure it as soon as the blades run: from then on it says how long is left.
      </p>
    );
  const rate = riseRate(readings);
  const lastS = Math.max(...readings.map((r) => r.tS));
  const toLimit = rate.secondsTo(limitC);
  const leftS = toLimit === null ? null : Math.max(0, toLimit - (nowS - lastS));
  const over = leftS === 0;
  const tone = over
    ? 'bg-bad-wash text-bad'
    : leftS !== null && leftS < SOON_S
      ? 'bg-wait-wash text-wait'
      : 'bg-good-wash text-good';
  return (
    <div className={`rounded-lg px-3 py-2 text-center ${tone}`} role="timer" aria-live="off">
      <p className="font-semibold">
        {over
          ? `Stop: ${show.temp(limitC)}`
          : leftS === null
            ? 'It does not warm'
            : `left to ${show.temp(limitC)}`}
      </p>
      {leftS !== null && (
        <p
          className="text-[22vw] leading-none font-extrabold tabular-nums sm:text-9xl"
          data-testid="seconds-left"
        >
          {clock(leftS)}
        </p>
      )}
      <p className="font-semibold">
        {show.temp(rate.nowC)}
        {rate.cPerMin === null
          ? ', by the usual rise'
          : `, ${show.tempStep(rate.cPerMin)} a minute, from ${readings.length} readings`}
        {rate.odd ? '. The last one is unlike the others: measure again' : ''}
      </p>
    </div>
  );
}
