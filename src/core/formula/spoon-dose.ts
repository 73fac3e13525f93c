import { requireNonNegative, requirePositive } from '../guard';
import { ppmFromWeighed } from './dose-cure';

/** Mass of cure #1 in one level teaspoon, g: the lightest and the heaviest customary filling. */
export const TEASPOON_CURE_G = { low: 4.7, high: 6.7 } as const;

/**
 * What level teaspoons of cure really dose: `ppm = spoons × gPerSpoon × nitriteFraction × 1e6 / meatG`
 * for the lightest, the middle and the heaviest spoon. Never to be recorded as a dose.
 * @param spoons level teaspoons, ≥ 0 · @param meatG meat block, g, > 0 · @param nitriteFraction (0, 1]
 * @returns ppm of sodium nitrite on the meat block, low ≤ middle ≤ high
 * @throws RangeError naming the field that is out of its interval
 * @source spread of level-teaspoon weighings of cure #1, 4.7 to 6.7 g; other curing salts are taken to fill alike
 * @example spoonDose({ spoons: 1, meatG: 2267.96185, nitriteFraction: 0.0625 }).ppmHigh // 184.6
 */
export function spoonDose(input: { spoons: number; meatG: number; nitriteFraction: number }): {
  ppmLow: number;
  ppm: number;
  ppmHigh: number;
} {
  const spoons = requireNonNegative('spoons', input.spoons);
  const basisG = requirePositive('meatG', input.meatG);
  const ppmOf = (gPerSpoon: number) =>
    ppmFromWeighed({
      basisG,
      cureG: spoons * gPerSpoon,
      nitriteFraction: input.nitriteFraction,
    });
  const { low, high } = TEASPOON_CURE_G;
  return { ppmLow: ppmOf(low), ppm: ppmOf((low + high) / 2), ppmHigh: ppmOf(high) };
}
