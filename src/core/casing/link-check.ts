import { gPerMetre } from '../formula/casing-length';
import { QuantityError, requirePositive } from '../guard';

export type Link = { lengthMm: number; weightG: number };

export type LinkCheck = {
  meanG: number;
  meanMm: number;
  /** Mean less target, g. */
  offG: number;
  /** So much longer (or shorter, below 0) makes the weight at the same fill, mm. */
  byMm: number;
  /** Heaviest less lightest, g. */
  spreadG: number;
  /** What the links are stuffed to, from weight and length, mm. */
  stuffedMm: number;
  status: 'right' | 'light' | 'heavy' | 'uneven';
};

/**
 * The first links against their target. What they weigh a millimetre as they are filled says how much longer or shorter
 * they must be: `byMm = (targetG − meanG) / (meanG / meanMm)`; the stuffed diameter follows from `π/4·d²·ρ`.
 * @param links at least two, usually three · @param targetG g, > 0
 * @param tolerance share of the target that is right, (0, 1); a spread of more than twice that is uneven
 * @throws RangeError naming the field
 * @source volume of a cylinder, ρ 1.05 g/cm³ (usual practice of the trade)
 * @example linkCheck({ links: [{ lengthMm: 100, weightG: 48 }, { lengthMm: 100, weightG: 48 }], targetG: 50, tolerance: 0.03 }).byMm // 4.17
 */
export function linkCheck(input: {
  links: readonly Link[];
  targetG: number;
  tolerance: number;
}): LinkCheck {
  const { links } = input;
  if (links.length < 2) throw new QuantityError('links', links.length, 'at least two links');
  const targetG = requirePositive('targetG', input.targetG);
  const tolerance = requirePositive('tolerance', input.tolerance);
  links.forEach((l, i) => {
    requirePositive(`links[${i}].lengthMm`, l.lengthMm);
    requirePositive(`links[${i}].weightG`, l.weightG);
  });
  const meanG = links.reduce((sum, l) => sum + l.weightG, 0) / links.length;
  const meanMm = links.reduce((sum, l) => sum + l.lengthMm, 0) / links.length;
  const weights = links.map((l) => l.weightG);
  const spreadG = Math.max(...weights) - Math.min(...weights);
  const gPerMm = meanG / meanMm;
  const offG = meanG - targetG;
  const off = Math.abs(offG) > tolerance * targetG;
  return {
    meanG,
    meanMm,
    offG,
    byMm: -offG / gPerMm,
    spreadG,
    stuffedMm: Math.sqrt((gPerMm * 1000) / gPerMetre(1)),
    status:
      spreadG > 2 * tolerance * targetG ? 'uneven' : !off ? 'right' : offG < 0 ? 'light' : 'heavy',
  };
}

/** What a link of this diameter and length weighs, g. */
export const linkG = (diameterMm: number, lengthMm: number): number =>
  (gPerMetre(requirePositive('diameterMm', diameterMm)) * requirePositive('lengthMm', lengthMm)) /
  1000;
