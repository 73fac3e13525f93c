import {
  requireBetween,
  requireFraction,
  requireNonNegative,
  requirePositive,
  QuantityError,
} from '../guard';

export type DoseCureInput = {
  /** Mass that the ppm refers to (meat block, batch …), g, > 0. */
  basisG: number;
  /** In-going sodium nitrite wanted, mg per kg of basis, (0, 1e6]. */
  targetPpm: number;
  /** Sodium nitrite in the cure, (0, 1]; from the lot's label. */
  nitriteFraction: number;
  /** Resolution of the scale that weighs the cure, g, ≥ 0. */
  cureScaleG?: number;
  /** Resolution of the scale that weighed the basis, g, ≥ 0 and below 2 × basisG. */
  meatScaleG?: number;
};

export type CureDose = {
  cureG: number;
  nitriteMg: number;
  saltFromCureG: number;
  ppm: number;
  ppmLow: number;
  ppmHigh: number;
};

/**
 * In-going nitrite of a cure weight on a basis: `ppm = cureG × nitriteFraction × 1e6 / basisG`.
 * @param basisG g, > 0 · @param cureG g, ≥ 0 · @param nitriteFraction (0, 1]
 * @returns mg of sodium nitrite per kg of basis
 * @throws RangeError naming the field that is out of its interval
 * @source 9 CFR 424.21(c) and FSIS Directive 7620.3 (1995), calculation of in-going nitrite
 * @example ppmFromWeighed({ basisG: 10000, cureG: 19.2, nitriteFraction: 0.0625 }) // 120
 */
export function ppmFromWeighed(input: {
  basisG: number;
  cureG: number;
  nitriteFraction: number;
}): number {
  const basisG = requirePositive('basisG', input.basisG);
  const cureG = requireNonNegative('cureG', input.cureG);
  const fraction = requireFraction('nitriteFraction', input.nitriteFraction);
  return (cureG * fraction * 1e6) / basisG;
}

/**
 * Worst-case ppm when both readings are only known to ± half a scale division.
 * A cure mass below half a division counts as 0 at the low end: a mass cannot be negative.
 * @param basisG, cureG g, > 0 · @param nitriteFraction (0, 1] · @param cureScaleG, meatScaleG one division of each scale, g, ≥ 0; 0 where left out
 */
export function ppmBand(input: {
  basisG: number;
  cureG: number;
  nitriteFraction: number;
  cureScaleG?: number;
  meatScaleG?: number;
}): { ppmLow: number; ppmHigh: number } {
  const halfCure = requireNonNegative('cureScaleG', input.cureScaleG ?? 0) / 2;
  const halfMeat = requireNonNegative('meatScaleG', input.meatScaleG ?? 0) / 2;
  const { basisG, cureG, nitriteFraction } = input;
  if (!(halfMeat < basisG)) {
    throw new QuantityError('meatScaleG', input.meatScaleG, 'less than twice basisG');
  }
  return {
    ppmLow: ppmFromWeighed({
      basisG: basisG + halfMeat,
      cureG: Math.max(0, cureG - halfCure),
      nitriteFraction,
    }),
    ppmHigh: ppmFromWeighed({
      basisG: basisG - halfMeat,
      cureG: cureG + halfCure,
      nitriteFraction,
    }),
  };
}

/**
 * Weight of nitrite cure for a target, not rounded: rounding to the scale belongs to the screen.
 * `cureG = basisG × targetPpm / (1e6 × nitriteFraction)`; the rest of the cure is counted as salt.
 * The band is the worst case for a cure and a basis reading each within ± half a division.
 * @param basisG g, > 0 · @param targetPpm ppm of the basis, (0, 1e6] · @param nitriteFraction of the cure, (0, 1]
 * @throws RangeError naming the field that is out of its interval
 * @source mass balance of in-going nitrite; basis and limits come from the site's dose rule
 * @example doseCure({ basisG: 10000, targetPpm: 120, nitriteFraction: 0.0625 }).cureG // 19.2
 */
export function doseCure(input: DoseCureInput): CureDose {
  const basisG = requirePositive('basisG', input.basisG);
  const nitriteFraction = requireFraction('nitriteFraction', input.nitriteFraction);
  requirePositive('targetPpm', input.targetPpm);
  const targetPpm = requireBetween('targetPpm', input.targetPpm, 0, 1e6);
  const cureG = (basisG * targetPpm) / (1e6 * nitriteFraction);
  return {
    cureG,
    nitriteMg: cureG * nitriteFraction * 1000,
    saltFromCureG: cureG * (1 - nitriteFraction),
    ppm: ppmFromWeighed({ basisG, cureG, nitriteFraction }),
    ...ppmBand({
      basisG,
      cureG,
      nitriteFraction,
      cureScaleG: input.cureScaleG,
      meatScaleG: input.meatScaleG,
    }),
  };
}

/** How a ppm band lies to limits: all of it within, under or over, or across one of them or both. */
export type BandPlace = 'within' | 'under' | 'over' | 'across';

/**
 * Where the band of a dose lies: a dose counts as within only when its whole band does.
 * @param limits minPpm < maxPpm, on the same basis and as sodium nitrite
 */
export function bandPlace(
  band: { ppmLow: number; ppmHigh: number },
  limits: { minPpm: number; maxPpm: number },
): BandPlace {
  if (band.ppmLow > limits.maxPpm) return 'over';
  if (band.ppmHigh < limits.minPpm) return 'under';
  return band.ppmLow >= limits.minPpm && band.ppmHigh <= limits.maxPpm ? 'within' : 'across';
}
