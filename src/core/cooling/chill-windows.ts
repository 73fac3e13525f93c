import type { Reading } from '../lethality/reading';
import { checkCooling, type CoolingStep } from './check-cooling';
import { judgeWindow, type TimedWindow } from './timed-window';
import { timeInBand } from './time-in-band';

/** The pull's own peak lies within this of it: what comes later restarts no clock, s. */
export const PEAK_S = 1800;
/** A core that fell by more than this after the pull has had its peak, °C. */
const PAST_PEAK_C = 5;
/** A cold product that rises by more than this above the limit is warm again, °C. */
const WARM_AGAIN_C = 1;

/** Index of the pull's own peak. */
function peakOf(readings: readonly Reading[], pulledS: number): number {
  let best = 0;
  for (let i = 0; i < readings.length; i += 1) {
    const r = readings[i]!;
    if (r.tS > pulledS + PEAK_S) break;
    if (r.tempC >= readings[best]!.tempC) best = i;
    else if (r.tS > pulledS && r.tempC < readings[best]!.tempC - PAST_PEAK_C) break;
  }
  return best;
}

/** Seconds above a limit after it was met, where it rose clearly above it; and whether it is so at the end. */
function warmAgain(readings: readonly Reading[], fromS: number, limitC: number) {
  const first = readings.findIndex((r) => r.tS > fromS);
  let timeS = 0;
  let now = false;
  let warmFrom = -1;
  let clearly = false;
  for (let i = first < 0 ? readings.length : first; i <= readings.length; i += 1) {
    const r = readings[i];
    if (r && r.tempC > limitC) {
      if (warmFrom < 0) warmFrom = i;
      clearly ||= r.tempC > limitC + WARM_AGAIN_C;
      continue;
    }
    if (clearly) {
      const withEnds = readings.slice(Math.max(first, warmFrom - 1), i + 1);
      timeS += timeInBand(withEnds, limitC, Infinity);
      now = r === undefined;
    }
    warmFrom = -1;
    clearly = false;
  }
  return { timeS, now };
}

/**
 * How a pulled piece stands against each step of a cooling rule: from the first downward crossing after the
 * pull's own peak; no later maximum restarts it, and time for which the product was warm again after it was
 * cold is added to the step that it had passed.
 * @param readings credited, in time order, from {@link PEAK_S} before the pull · @param pulledS s
 * @throws RangeError naming the field
 * @source as {@link checkCooling}; re-warming is counted, as is usual
 */
export function chillWindows(input: {
  readings: readonly Reading[];
  pulledS: number;
  steps: readonly CoolingStep[];
}): TimedWindow[] {
  const { readings, pulledS, steps } = input;
  checkCooling({ readings: [], steps });
  const peakAt = peakOf(readings, pulledS);
  return steps.map((step) => {
    const w = judgeWindow(readings, peakAt, step, -1);
    if (w.endS === null) return w;
    const again = warmAgain(readings, w.endS, step.toC);
    if (again.timeS === 0) return w;
    const elapsedS = w.elapsedS! + again.timeS;
    if (elapsedS > step.maxS) return { ...w, elapsedS, status: 'fail' };
    return again.now ? { ...w, elapsedS, endS: null, status: 'incomplete' } : { ...w, elapsedS };
  });
}
