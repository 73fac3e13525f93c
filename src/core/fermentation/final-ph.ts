import { requireBetween, requireNonNegative } from '../guard';

/** pH of fresh cured meat before its culture works (usual), and the fall for each g/kg of dextrose. */
export const START_PH = 5.8;
const FALL_PER_G_KG = 0.1;

/**
 * Final pH that the sugars of a recipe allow: `max(floorPh, startPh − 0.1 × dextrose g/kg)`.
 * @param dextroseGPerKg fermentable sugar as dextrose, g per kg of meat block, ≥ 0
 * @param floorPh lowest pH that the culture reaches, [3.5, 7] · @param startPh [4, 7]
 * @throws RangeError naming the field that is out of its interval
 * A forecast, not a measurement: meat buffers differ by about ± 0.2 pH.
 * @source customary dosing of starter cultures: 1 g/kg of dextrose lowers the pH by about 0.1
 * @example finalPh({ dextroseGPerKg: 6, floorPh: 4.6 }) // 5.2
 */
export function finalPh(input: {
  dextroseGPerKg: number;
  floorPh: number;
  startPh?: number;
}): number {
  const startPh = requireBetween('startPh', input.startPh ?? START_PH, 4, 7);
  const floorPh = requireBetween('floorPh', input.floorPh, 3.5, 7);
  const fall = FALL_PER_G_KG * requireNonNegative('dextroseGPerKg', input.dextroseGPerKg);
  return Math.min(startPh, Math.max(floorPh, startPh - fall));
}
