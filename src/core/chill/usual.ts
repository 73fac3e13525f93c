import { requirePositive } from '../guard';

const MIN = 60;
/** Seconds in ice water by the square of the diameter in millimetres, until the core is below 27 °C; fitted to the model. */
const S_PER_MM2 = 0.58;

/**
 * Usual time in ice water for a piece of this diameter, until its core is below 27 °C: `t = 0.58 s/mm² · d²`, to whole
 * minutes, at least two. A first value of a recipe; {@link chillPlan} works out what the site's rule asks for.
 * @param diameterMm mm, > 0
 * @throws RangeError naming the field
 * @source conduction goes with the diameter squared; usual practice of the trade: 36 mm 10-12 min, 75 mm 45-55, 115 mm about 110
 * @example usualIceS(36) // 780
 */
export const usualIceS = (diameterMm: number): number =>
  Math.max(2, Math.ceil((S_PER_MM2 * requirePositive('diameterMm', diameterMm) ** 2) / MIN)) * MIN;
