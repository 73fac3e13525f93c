import { requireNonNegative } from '../guard';

/** Molar masses, g/mol: sodium nitrite NaNO₂ and the nitrite ion NO₂⁻ (IUPAC atomic weights, 2021). */
const SODIUM_NITRITE_G_MOL = 68.995;
const NITRITE_ION_G_MOL = 46.005;

/**
 * Sodium nitrite that holds a given amount of nitrite ion: `ppm × 68.995 / 46.005`.
 * @param ppm nitrite ion, mg/kg, ≥ 0
 * @returns sodium nitrite, mg per kg of the same basis
 * @throws RangeError when ppm is negative or no number
 * @source Regulation (EU) 2023/2108, limits expressed as nitrite ion; factor from the molar masses
 * @example sodiumNitriteFromIon(80) // 119.98
 */
export const sodiumNitriteFromIon = (ppm: number): number =>
  (requireNonNegative('ppm', ppm) * SODIUM_NITRITE_G_MOL) / NITRITE_ION_G_MOL;

/**
 * Nitrite ion in an amount of sodium nitrite: `ppm × 46.005 / 68.995`; inverse of
 * {@link sodiumNitriteFromIon}.
 * @param ppm sodium nitrite, mg/kg, ≥ 0
 * @throws RangeError when ppm is negative or no number
 */
export const ionFromSodiumNitrite = (ppm: number): number =>
  (requireNonNegative('ppm', ppm) * NITRITE_ION_G_MOL) / SODIUM_NITRITE_G_MOL;
