import { QuantityError, requireFinite, requirePositive } from '../guard';
import { requireReadings, type Reading } from '../lethality/reading';
import { judgeWindow, worst, type TimedWindow, type WindowStatus } from './timed-window';

export type CoolingStep = { fromC: number; toC: number; maxS: number };
export type CoolingResult = { status: WindowStatus; steps: TimedWindow[]; peak: Reading | null };

function lastPeak(readings: readonly Reading[]): number {
  return readings.reduce((best, r, i) => (r.tempC >= readings[best]!.tempC ? i : best), 0);
}

/**
 * Judges a core log against a cooling (stabilization) rule. Each step runs from the first downward
 * crossing of fromC after the (last) peak to the first crossing of toC after that, on straight lines
 * between readings; a rebound does not restart the clock. Equal to the limit passes. A step whose limit
 * has run out fails, even when toC was never reached; a step whose start the log does not show, or
 * that is still running when the log ends, is incomplete.
 * @param readings core, in time order, s and °C · @param steps fromC > toC, maxS > 0, at least one
 * @throws RangeError naming the field
 * @source USDA FSIS Appendix B (rev. 2021); FDA Food Code 3-501.14; as data in the site's cooling rule
 * @example checkCooling({ readings: [{ tS: 0, tempC: 60 }, { tS: 3600, tempC: 20 }], steps: [{ fromC: 54.4, toC: 26.7, maxS: 5400 }] }).status // 'pass'
 */
export function checkCooling(input: {
  readings: readonly Reading[];
  steps: readonly CoolingStep[];
}): CoolingResult {
  const { readings, steps } = input;
  requireReadings(readings);
  if (steps.length === 0) throw new QuantityError('steps', steps.length, 'at least one step');
  steps.forEach((s, i) => {
    requireFinite(`steps[${i}].fromC`, s.fromC);
    requireFinite(`steps[${i}].toC`, s.toC);
    requirePositive(`steps[${i}].maxS`, s.maxS);
    if (s.toC >= s.fromC) throw new QuantityError(`steps[${i}].toC`, s.toC, 'below fromC');
  });
  const peakAt = lastPeak(readings);
  const windows = steps.map((s) => judgeWindow(readings, peakAt, s, -1));
  return { status: worst(windows), steps: windows, peak: readings[peakAt] ?? null };
}
