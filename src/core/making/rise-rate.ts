import { requireFinite } from '../guard';

export type TimedTemp = { tS: number; tempC: number };
export type RiseRate = {
  /** °C a minute; null with fewer than two readings. */
  cPerMin: number | null;
  /** Of the batter at the last reading, by all of them, °C. */
  nowC: number;
  /** The last reading is unlike the others: it was not believed. */
  odd: boolean;
  /** Seconds from the last reading to a limit: 0 at or over it, null where it does not warm. */
  secondsTo: (limitC: number) => number | null;
};

/** So many of the last readings say how fast it warms now: what was added before tells of another batter. */
const LAST = 7;
/** A single reading further off than this is a slip of the hand, °C. */
const ODD_C = 2;
/** What a chop warms by before its own readings say so, °C a minute (usual: 1 to 2.5 without ice). */
export const USUAL_RISE = 1.75;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/**
 * How fast a batter warms, from readings in time: the median of all slopes between two of them, so that one odd reading does
 * not move it. Seconds to a limit run from the higher of the fitted and the last believed temperature: doubt is on the
 * early side. With one reading the usual rise of a cutter stands in.
 * @param readings °C and s, in any order, at least one · @throws RangeError for a figure that is not finite, or for none
 * @source median of pairwise slopes (Theil and Sen)
 */
export function riseRate(readings: readonly TimedTemp[]): RiseRate {
  if (readings.length === 0) throw new RangeError('readings: at least one is needed');
  for (const { tempC, tS } of readings) {
    requireFinite('tempC', tempC);
    requireFinite('tS', tS);
  }
  const used = [...readings].sort((a, b) => a.tS - b.tS).slice(-LAST);
  const last = used.at(-1)!;
  const slopes = used.flatMap((a, i) =>
    used.slice(i + 1).flatMap((b) => (b.tS > a.tS ? [(b.tempC - a.tempC) / (b.tS - a.tS)] : [])),
  );
  const perS = slopes.length > 0 ? median(slopes) : null;
  const slope = perS ?? USUAL_RISE / 60;
  const fittedC = median(used.map((r) => r.tempC + slope * (last.tS - r.tS)));
  const odd = used.length >= 4 && Math.abs(last.tempC - fittedC) > ODD_C;
  const nowC = odd ? fittedC : Math.max(fittedC, last.tempC);
  return {
    cPerMin: perS === null ? null : perS * 60,
    nowC,
    odd,
    secondsTo: (limitC) => {
      if (nowC >= limitC) return 0;
      return slope > 1e-9 ? (limitC - nowC) / slope : null;
    },
  };
}
