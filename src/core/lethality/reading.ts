import { QuantityError, requireFinite } from '../guard';

/** One temperature reading: seconds from any origin, °C. */
export type Reading = { tS: number; tempC: number };

/**
 * Throws a RangeError when a reading is not finite or runs back in time.
 * @param readings s and °C
 */
export function requireReadings(readings: readonly Reading[]): void {
  let last = -Infinity;
  readings.forEach((r, i) => {
    requireFinite(`readings[${i}].tS`, r.tS);
    requireFinite(`readings[${i}].tempC`, r.tempC);
    if (r.tS < last)
      throw new QuantityError(
        `readings[${i}].tS`,
        r.tS,
        `at or after the reading before it (${last})`,
      );
    last = r.tS;
  });
}

/**
 * Time at which the straight line from a to b passes `tempC`; b's time when the line is flat.
 * @param a, b s and °C · @param tempC between theirs, °C
 */
export function timeAt(a: Reading, b: Reading, tempC: number): number {
  if (a.tempC === b.tempC) return b.tS;
  return a.tS + ((tempC - a.tempC) / (b.tempC - a.tempC)) * (b.tS - a.tS);
}
