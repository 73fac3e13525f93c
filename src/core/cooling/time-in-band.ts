import type { Reading } from '../lethality/reading';

/**
 * Seconds that a log spends above lowC and below highC, on straight lines between readings; exact.
 * @param readings in time order, s and °C
 */
export function timeInBand(readings: readonly Reading[], lowC: number, highC: number): number {
  let sum = 0;
  for (let i = 1; i < readings.length; i += 1)
    sum += pieceInBand(readings[i - 1]!, readings[i]!, lowC, highC);
  return sum;
}

/**
 * The same on one straight piece.
 * @param a, b the ends of the piece, s and °C · @param lowC, highC °C, lowC < highC
 */
export function pieceInBand(a: Reading, b: Reading, lowC: number, highC: number): number {
  const dtS = b.tS - a.tS;
  const low = Math.min(a.tempC, b.tempC);
  const high = Math.max(a.tempC, b.tempC);
  if (high <= lowC || low >= highC) return 0;
  if (high === low) return dtS;
  return (dtS * (Math.min(high, highC) - Math.max(low, lowC))) / (high - low);
}
