import { timeAt, type Reading } from '../lethality/reading';

export type WindowStatus = 'pass' | 'fail' | 'incomplete';

/** How one "from this temperature to that one within so long" went. Times in the log's own seconds. */
export type TimedWindow = {
  status: WindowStatus;
  fromC: number;
  toC: number;
  maxS: number;
  /** When fromC was passed, or null if the log never shows it. */
  startS: number | null;
  /** When toC was passed, or null. */
  endS: number | null;
  /** Time spent so far, or in all, s. */
  elapsedS: number | null;
};

/** Interpolated times carry rounding noise; a limit met to a microsecond is met. */
const SAME_S = 1e-6;

/** First time at or after index `i` at which the log stands at or beyond `tempC` in the direction of `sign`. */
function firstReach(
  readings: readonly Reading[],
  i: number,
  tempC: number,
  sign: 1 | -1,
): number | null {
  for (let k = i; k < readings.length; k += 1) {
    const r = readings[k]!;
    if (sign * (r.tempC - tempC) < 0) continue;
    const prev = readings[k - 1];
    return k > i && prev ? timeAt(prev, r, tempC) : r.tS;
  }
  return null;
}

/**
 * Judges one window from index `i` on. The start counts only if the log shows the temperature on the
 * near side of fromC first; a later return across fromC changes nothing.
 * @param readings times rising, s and °C · @param i index to begin at · @param window fromC and toC, °C; maxS, s · @param sign 1 warming, −1 cooling
 */
export function judgeWindow(
  readings: readonly Reading[],
  i: number,
  window: { fromC: number; toC: number; maxS: number },
  sign: 1 | -1,
): TimedWindow {
  const { fromC, toC, maxS } = window;
  const first = readings[i];
  const shown = first !== undefined && sign * (first.tempC - fromC) <= 0;
  const startS = shown ? firstReach(readings, i, fromC, sign) : null;
  if (startS === null)
    return { status: 'incomplete', fromC, toC, maxS, startS, endS: null, elapsedS: null };
  const endS = firstReach(readings, i, toC, sign);
  const elapsedS = (endS ?? readings.at(-1)!.tS) - startS;
  let status: WindowStatus = 'incomplete';
  if (endS !== null) status = elapsedS <= maxS + SAME_S ? 'pass' : 'fail';
  else if (elapsedS >= maxS - SAME_S) status = 'fail';
  return { status, fromC, toC, maxS, startS, endS, elapsedS };
}

/**
 * fail if any failed, pass if all passed, else incomplete.
 * @param windows of one rule
 */
export function worst(windows: readonly TimedWindow[]): WindowStatus {
  if (windows.some((w) => w.status === 'fail')) return 'fail';
  return windows.every((w) => w.status === 'pass') ? 'pass' : 'incomplete';
}
