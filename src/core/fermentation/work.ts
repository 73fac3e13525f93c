import { QuantityError } from '../guard';
import type { Reading } from '../lethality/reading';
import { workRate, type CultureCourse } from './culture';

/** Work of a culture as a course: hours at its best temperature done by each time. */
export type WorkCourse = { tS: Float64Array; workedH: Float64Array };

/** Longest step of the sum, s: the meat and the rate change little in it. */
const STEP_S = 600;
/** A course of this many steps is longer than any ferment: ten weeks. */
const MOST_STEPS = 10_000;

/** Temperature of a log at a time on straight lines, °C; its ends hold outside of it. */
function airAt(log: readonly Reading[], tS: number, from: { i: number }): number {
  while (from.i < log.length - 1 && log[from.i + 1]!.tS <= tS) from.i += 1;
  const [a, b] = [log[from.i]!, log[from.i + 1]];
  if (!b || tS <= a.tS) return a.tempC;
  return a.tempC + ((tS - a.tS) / (b.tS - a.tS)) * (b.tempC - a.tempC);
}

/**
 * How much a culture has worked by each time: `∫ workRate(meat) dt`, where the meat follows the air with a first-order lag.
 * Computed once for a log: a fit that changes lag and speed only stretches it.
 * @param air chamber over time, at least one, times rising, s and °C
 * @param meatLagS how slowly the meat follows the air, s, > 0 · @param startC of the meat at `fromS`
 * @returns times every ten minutes from `fromS` to `toS`, both included, and hours at the best temperature
 * @throws RangeError when the log is empty or the window is longer than ten weeks
 */
export function workOf(
  culture: Pick<CultureCourse, 'minC' | 'bestC' | 'maxC'>,
  air: readonly Reading[],
  {
    fromS,
    toS,
    startC,
    meatLagS,
  }: { fromS: number; toS: number; startC: number; meatLagS: number },
): WorkCourse {
  const steps = Math.max(1, Math.ceil((toS - fromS) / STEP_S));
  if (air.length === 0) throw new QuantityError('air', 0, 'at least one reading');
  if (!(steps <= MOST_STEPS)) throw new QuantityError('toS', toS, 'within ten weeks of fromS');
  const tS = new Float64Array(steps + 1);
  const workedH = new Float64Array(steps + 1);
  const place = { i: 0 };
  let meatC = startC;
  let rate = workRate(meatC, culture);
  tS[0] = fromS;
  for (let k = 1; k <= steps; k += 1) {
    const at = Math.min(toS, fromS + k * STEP_S);
    const forS = Math.max(0, at - tS[k - 1]!);
    const airC = airAt(air, at - forS / 2, place);
    meatC = airC + (meatC - airC) * Math.exp(-forS / meatLagS);
    const next = workRate(meatC, culture);
    tS[k] = at;
    workedH[k] = workedH[k - 1]! + (((rate + next) / 2) * forS) / 3600;
    rate = next;
  }
  return { tS, workedH };
}

/**
 * Work done by a time, h, on straight lines; the ends hold outside.
 * @param atS s
 */
export function workedBy({ tS, workedH }: WorkCourse, atS: number): number {
  let [low, high] = [0, tS.length - 1];
  if (atS <= tS[0]!) return workedH[0]!;
  if (atS >= tS[high]!) return workedH[high]!;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (tS[middle]! <= atS) low = middle;
    else high = middle;
  }
  const share = (atS - tS[low]!) / (tS[high]! - tS[low]!);
  return workedH[low]! + share * (workedH[high]! - workedH[low]!);
}

/**
 * First time by which so much work is done, s; null where the course does not come to it.
 * @param neededH hours of work, ≥ 0
 */
export function whenWorked({ tS, workedH }: WorkCourse, neededH: number): number | null {
  let [low, high] = [0, tS.length - 1];
  if (neededH <= workedH[0]!) return tS[0]!;
  if (!(neededH <= workedH[high]!)) return null;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (workedH[middle]! < neededH) low = middle;
    else high = middle;
  }
  const rise = workedH[high]! - workedH[low]!;
  const share = rise > 0 ? (neededH - workedH[low]!) / rise : 1;
  return tS[low]! + share * (tS[high]! - tS[low]!);
}
