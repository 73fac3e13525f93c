/**
 * Water activity of a salt solution at 25 °C by molality, mol NaCl per kg water; it differs by less than 0.002 from 0 to 25 °C.
 * @source Robinson & Stokes (1959), Electrolyte Solutions, appendix 8.3; saturated at 6.14 mol/kg
 */
export const SALT_WATER_ACTIVITY: readonly (readonly [molality: number, aw: number])[] = [
  [0, 1],
  [0.5, 0.98355],
  [1, 0.96686],
  [1.5, 0.9496],
  [2, 0.9316],
  [2.5, 0.9128],
  [3, 0.8932],
  [3.5, 0.8727],
  [4, 0.8515],
  [4.5, 0.8295],
  [5, 0.8068],
  [5.5, 0.7835],
  [6, 0.7598],
  [6.14, 0.753],
];
