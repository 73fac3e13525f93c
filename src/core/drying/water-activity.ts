import { requireNonNegative } from '../guard';
import { SALT_WATER_ACTIVITY } from './tables/salt-water-activity';

/** Mol of salt per gram. */
const SALT_MOL_PER_G = 1 / 58.44;
/**
 * Oswin's sorption curve of lean meat solids without salt, 10 to 20 °C: water per g of solids at half of saturation, and its
 * exponent (usual; published fits of beef and pork lie between 0.09 and 0.14, 0.35 and 0.55).
 * @source Iglesias & Chirife (1982), Handbook of Food Isotherms
 */
const OSWIN = { waterPerG: 0.13, exponent: 0.5 };

/** Rows of the table are so far apart, but for the last one, mol/kg. */
const ROW = 0.5;

/** Water activity of a salt solution. @param molality mol per kg water, ≥ 0; saturated above 6.14 */
export function brineActivity(molality: number): number {
  const rows = SALT_WATER_ACTIVITY;
  const i = Math.floor(molality / ROW);
  if (i >= rows.length - 1) return rows[rows.length - 1]![1];
  const [[a, from], [b, to]] = [rows[i]!, rows[i + 1]!];
  return molality >= b ? to : from + ((molality - a) / (b - a)) * (to - from);
}

/**
 * As {@link estimateAw}, of one gram of solids, for the model's inner loop: nothing is checked.
 * @param waterG, saltG for one gram of solids, g, waterG > 0
 */
export function activityOf(waterG: number, saltG: number): number {
  const brine = brineActivity((saltG * SALT_MOL_PER_G * 1000) / waterG);
  const bound = OSWIN.waterPerG / waterG;
  return brine / (1 + bound ** (1 / OSWIN.exponent));
}

/**
 * Water activity of cured meat, estimated from what it is made of: that of its brine times that of its solids,
 * `aw = aw_brine(salt / water) · 1 / (1 + (0.13·solids / water)²)`. An estimate proves nothing.
 * @param waterG, saltG, solidsG of a piece or a share of it, g: solids are what is neither water, fat nor salt; each ≥ 0
 * @returns 0 to 1; 0 without water
 * @throws RangeError naming the field
 * Range: 0.70 to 1; sugars, acids and potassium salts are left out (they lower it by less than 0.01).
 * @source Ross (1975), product of activities; Robinson & Stokes (1959); Oswin (1946)
 * @example estimateAw({ waterG: 55, saltG: 2.8, solidsG: 17 }) // 0.970
 */
export function estimateAw(of: { waterG: number; saltG: number; solidsG: number }): number {
  const waterG = requireNonNegative('waterG', of.waterG);
  const saltG = requireNonNegative('saltG', of.saltG);
  const solidsG = requireNonNegative('solidsG', of.solidsG);
  if (waterG === 0) return 0;
  if (solidsG > 0) return activityOf(waterG / solidsG, saltG / solidsG);
  return brineActivity((saltG * SALT_MOL_PER_G * 1000) / waterG);
}
