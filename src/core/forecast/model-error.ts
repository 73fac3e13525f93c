/** What a good model still misses, as a course that forgets itself: spread in its unit, memory in s. */
export type ModelError = { sd: number; memoryS: number };

/** What is known of the model's miss at a moment, in the unit of what is measured. */
export type KnownMiss = { tS: number; mean: number; variance: number };

/**
 * Splits a row of misses into what each tells beyond those before it: the model's own error is an
 * Ornstein–Uhlenbeck course (covariance sd²·exp(−|Δt|/memory)) under independent noise, and a scalar Kalman
 * filter follows it. Squares of the result add up to the exact weighted square of the row, in linear time.
 * @param misses model less measured, at `timesS` (s, rising; same length as `noise`, sd > 0)
 * @returns the surprises over their spread, and the miss as known at the last one
 * @source Kalman (1960); Uhlenbeck & Ornstein (1930); Kennedy & O'Hagan (2001) for the model's error in a fit
 */
export function surprises(
  misses: Float64Array,
  timesS: readonly number[],
  noise: readonly number[],
  error: ModelError,
): { surprise: Float64Array; known: KnownMiss } {
  const known: KnownMiss = { tS: timesS[0] ?? 0, mean: 0, variance: error.sd ** 2 };
  const surprise = new Float64Array(misses.length);
  for (let i = 0; i < misses.length; i += 1) {
    Object.assign(known, missAt(known, timesS[i]!, error));
    const variance = known.variance + noise[i]! ** 2;
    const off = misses[i]! - known.mean;
    surprise[i] = off / Math.sqrt(variance);
    const gain = known.variance / variance;
    known.mean += gain * off;
    known.variance *= 1 - gain;
  }
  return { surprise, known };
}

/** What a known miss has come to at a later time: half forgotten, and less sure. */
export function missAt(known: KnownMiss, tS: number, error: ModelError): KnownMiss {
  const kept = Math.exp(-Math.max(0, tS - known.tS) / error.memoryS);
  return {
    tS,
    mean: kept * known.mean,
    variance: kept * kept * known.variance + (1 - kept * kept) * error.sd ** 2,
  };
}
