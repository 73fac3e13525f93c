/** Temperatures of the rows below, °C. */
export const BUFFER_TEMPS_C = [5, 10, 15, 20, 25, 30, 35, 40] as const;

/**
 * pH of buffers by their temperature, in the order of {@link BUFFER_TEMPS_C}. Phthalate and phosphate are the standards;
 * technical pH 7 is what its bottles say.
 * @source phthalate 4.01 and phosphate 6.86: NBS/NIST scale, DIN 19266; technical 7.00: usual print of the bottle
 */
export const BUFFERS = {
  '4.01': [4.0, 4.0, 4.0, 4.0, 4.01, 4.01, 4.02, 4.03],
  '6.86': [6.95, 6.92, 6.9, 6.88, 6.86, 6.85, 6.84, 6.84],
  '7.00': [7.09, 7.06, 7.04, 7.02, 7.0, 6.99, 6.98, 6.97],
} as const satisfies Record<string, readonly number[]>;
