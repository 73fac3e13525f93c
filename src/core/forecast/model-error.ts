/** What a good model still misses, as a course that forgets itself: spread °C and memory, s. */
export type ModelError = { sdC: number; memoryS: number };

/** What is known of the model's miss at a moment, °C. */
export type KnownMiss = { tS: number; meanC: number; varianceC2: number };

/**
 * Splits a row of misses into what each tells beyond those before it: the model's own error is an
 * Ornstein–Uhlenbeck course (covariance sd²·exp(−|Δt|/memory)) under independent noise, and a scalar Kalman
 * filter follows it. Squares of the result add up to the exact weighted square of the row, in linear time.
 * @param misses model less measured, °C, at `timesS` (s, rising; same length as `noiseC`, sd > 0)
 * @returns the surprises over their spread, and the miss as known at the last one
 * @source Kalman (1960); Uhlenbeck & Ornstein (1930); Kennedy & O'Hagan (2001) for the model's error in a fit
 */
export function surprises(
  misses: Float64Array,
  timesS: readonly number[],
  noiseC: readonly number[],
  error: ModelError,
): { surprise: Float64Array; known: KnownMiss } {
  const known: KnownMiss = { tS: timesS[0] ?? 0, meanC: 0, varianceC2: error.sdC ** 2 };
  const surprise = new Float64Array(misses.length);
  for (let i = 0; i < misses.length; i += 1) {
    Object.assign(known, missAt(known, timesS[i]!, error));
    const varianceC2 = known.varianceC2 + noiseC[i]! ** 2;
    const off = misses[i]! - known.meanC;
    surprise[i] = off / Math.sqrt(varianceC2);
    const gain = known.varianceC2 / varianceC2;
    known.meanC += gain * off;
    known.varianceC2 *= 1 - gain;
  }
  return { surprise, known };
}

/** What a known miss has come to at a later time: half forgotten, and less sure. */
export function missAt(known: KnownMiss, tS: number, error: ModelError): KnownMiss {
  const kept = Math.exp(-Math.max(0, tS - known.tS) / error.memoryS);
  return {
    tS,
    meanC: kept * known.meanC,
    varianceC2: kept * kept * known.varianceC2 + (1 - kept * kept) * error.sdC ** 2,
  };
}
