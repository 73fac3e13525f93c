import { requireNonNegative, requirePositive } from '../guard';

/** How casings are sold and counted. */
export const CASING_FORMS = ['strand', 'stick', 'metre', 'piece'] as const;
export type CasingForm = (typeof CASING_FORMS)[number];

/**
 * Whole strands, sticks or pieces that so many metres ask for; metres themselves where they are sold by the metre.
 * @param eachM metres of one, > 0
 * @throws RangeError naming the field
 * @example countFor(34.2, 'strand', 12) // 3
 */
export function countFor(metres: number, form: CasingForm, eachM: number): number {
  requireNonNegative('metres', metres);
  requirePositive('eachM', eachM);
  return form === 'metre' ? metres : Math.ceil(metres / eachM - 1e-9);
}

/**
 * Metres of a lot that are left: what came less what was used, plus what went back re-salted. Never below nothing.
 * @param changedM sum of what was taken (below 0) and put back since, m
 * @example metresLeft(100, -30) // 70
 */
export const metresLeft = (cameM: number, changedM: number): number =>
  Math.max(0, requireNonNegative('cameM', cameM) + changedM);
