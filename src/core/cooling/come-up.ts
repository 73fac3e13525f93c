import { QuantityError, requireFinite, requirePositive } from '../guard';
import { requireReadings, type Reading } from '../lethality/reading';
import { judgeWindow, type TimedWindow } from './timed-window';

/**
 * Judges how long the core took from fromC up to toC, from the first upward crossing of fromC to the
 * first crossing of toC, on straight lines between readings; a dip does not restart the clock.
 * Equal to the limit passes; a limit that has run out fails; otherwise incomplete.
 * @param readings core, in time order · @param fromC °C · @param toC °C, above fromC · @param maxS s, > 0
 * @throws RangeError naming the field
 * @source USDA FSIS Appendix A (rev. 2021), come-up time between 50 and 130 °F
 */
export function comeUp(input: {
  readings: readonly Reading[];
  fromC: number;
  toC: number;
  maxS: number;
}): TimedWindow {
  requireReadings(input.readings);
  requireFinite('fromC', input.fromC);
  requireFinite('toC', input.toC);
  requirePositive('maxS', input.maxS);
  if (input.toC <= input.fromC) throw new QuantityError('toC', input.toC, 'above fromC');
  const below = input.readings.findIndex((r) => r.tempC <= input.fromC);
  return judgeWindow(input.readings, below < 0 ? input.readings.length : below, input, 1);
}
