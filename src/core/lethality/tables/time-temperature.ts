/**
 * Minimum holding times for meat and poultry at a core temperature, as printed: °F, then seconds
 * for 6.5 log (meat) and 7 log (poultry) of Salmonella.
 * @source USDA FSIS Appendix A (rev. 2021), time-temperature combinations for meat and for poultry-containing products
 */
const MINUTES: readonly [number, number, number][] = [
  [130, 112, 121],
  [131, 89, 97],
  [132, 71, 77],
  [133, 56, 62],
  [134, 45, 47],
  [135, 36, 37],
  [136, 28, 32],
  [137, 23, 24],
  [138, 18, 19],
  [139, 15, 15],
  [140, 12, 12],
  [141, 9, 10],
  [142, 8, 8],
  [143, 6, 6],
  [144, 5, 5],
  [145, 4, 4],
];
const SECONDS: readonly [number, number, number][] = [
  [146, 169, 182],
  [147, 134, 144],
  [148, 107, 115],
  [149, 85, 91],
  [150, 67, 72],
  [151, 54, 58],
  [152, 43, 46],
  [153, 34, 37],
  [154, 27, 29],
  [155, 22, 23],
  [156, 17, 19],
  [157, 14, 15],
  [158, 0, 0],
];

export type TableRow = { tempF: number; meatS: number; poultryS: number };

export const TIME_TEMPERATURE: readonly TableRow[] = [
  ...MINUTES.map(([tempF, meat, poultry]) => ({ tempF, meatS: meat * 60, poultryS: poultry * 60 })),
  ...SECONDS.map(([tempF, meatS, poultryS]) => ({ tempF, meatS, poultryS })),
];
