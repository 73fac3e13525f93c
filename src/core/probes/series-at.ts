import type { Reading } from '../lethality/reading';

/** First index whose time is not before (or, with `after`, later than) tS; readings are in time order. */
function firstFrom(readings: readonly Reading[], tS: number, after: boolean): number {
  let low = 0;
  let high = readings.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    const t = readings[middle]!.tS;
    if (after ? t <= tS : t < tS) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Readings of a log in time order between two times, both included. */
export const within = (readings: readonly Reading[], fromS: number, toS: number): Reading[] =>
  readings.slice(firstFrom(readings, fromS, false), firstFrom(readings, toS, true));

/** The reading nearest in time, or null when none is within `mostS`. */
export function nearest(readings: readonly Reading[], tS: number, mostS: number): Reading | null {
  const i = firstFrom(readings, tS, false);
  const [a, b] = [readings[i - 1], readings[i]];
  const best = !a ? b : !b ? a : tS - a.tS <= b.tS - tS ? a : b;
  return best && Math.abs(best.tS - tS) <= mostS ? best : null;
}

const BLOCK_S = 60;

/**
 * Hottest and coldest of a log within windowS before and after a time; the nearest reading where there is
 * none that near; null when the log was silent for silentS. Quick for any order of questions: by minutes.
 */
export function extremes(
  readings: readonly Reading[],
  windowS: number,
  silentS: number,
): (tS: number) => { hotC: number; coldC: number } | null {
  const blocks = new Map<number, { hotC: number; coldC: number }>();
  for (const r of readings) {
    const key = Math.floor(r.tS / BLOCK_S);
    const b = blocks.get(key);
    if (!b) blocks.set(key, { hotC: r.tempC, coldC: r.tempC });
    else {
      if (r.tempC > b.hotC) b.hotC = r.tempC;
      if (r.tempC < b.coldC) b.coldC = r.tempC;
    }
  }
  const known = new Map<number, { hotC: number; coldC: number } | null>();
  const reach = Math.ceil(windowS / BLOCK_S);
  return (tS) => {
    const key = Math.floor(tS / BLOCK_S);
    const before = known.get(key);
    if (before !== undefined) return before;
    let out: { hotC: number; coldC: number } | null = null;
    for (let k = key - reach; k <= key + reach; k += 1) {
      const b = blocks.get(k);
      if (!b) continue;
      out = out
        ? { hotC: Math.max(out.hotC, b.hotC), coldC: Math.min(out.coldC, b.coldC) }
        : { ...b };
    }
    if (!out) {
      const near = nearest(readings, tS, silentS);
      out = near && { hotC: near.tempC, coldC: near.tempC };
    }
    known.set(key, out);
    return out;
  };
}
