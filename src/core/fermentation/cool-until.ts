import { requireFinite } from '../guard';
import { forecastPh, type PhForecastInput, type PhTarget } from './forecast-ph';

/** A chamber to set, °C, and when the pH is met in it. */
export type Cooled = { tempC: number; target: PhTarget };

/** A fermentation chamber is not cooled below this, °C: the culture is to rest, not to die. */
const COLDEST_C = 8;

/**
 * The warmest chamber, in whole degrees, in which a pH is not met before somebody is there: set now, it buys the time until then.
 * @param ph not to be passed unseen · @param untilS when somebody is there, s on the ferment's clock
 * @returns the chamber and the hour in it (its early end at or after `untilS`); null where even the coldest is too warm, or
 * where nothing need be set: it is not met before, or it is met already
 * At most seven forecasts.
 * @throws RangeError as {@link forecastPh}
 */
export function coolUntil(input: PhForecastInput, ph: number, untilS: number): Cooled | null {
  requireFinite('untilS', untilS);
  const at = (tempC: number): PhTarget =>
    forecastPh({ ...input, targets: [ph], ahead: { ...input.ahead, tempC } }).targets[0]!;
  const waits = (t: PhTarget) =>
    t.status !== 'reached' && t.status !== 'unexplained' && (t.p10S === null || t.p10S >= untilS);
  let warm = Math.floor(input.ahead.tempC);
  const asItIs = at(input.ahead.tempC);
  if (asItIs.status === 'reached' || asItIs.status === 'unexplained' || waits(asItIs)) return null;
  let cold = COLDEST_C;
  let best = at(cold);
  if (warm <= cold || !waits(best)) return null;
  while (warm - cold > 1) {
    const middle = Math.floor((warm + cold) / 2);
    const target = at(middle);
    if (waits(target)) [cold, best] = [middle, target];
    else warm = middle;
  }
  return { tempC: cold, target: best };
}
