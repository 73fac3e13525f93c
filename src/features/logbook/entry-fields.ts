import { z } from 'zod';

/** Two tonnes: more than any smokehouse this is for can hang. */
export const MAX_MASS_G = 2_000_000;

export const mass = z
  .number()
  .positive('must be more than 0')
  .max(MAX_MASS_G, 'more than 2 000 kg cannot be one batch');
export const temp = z.number().min(-80).max(400);
export const words = z.string().trim().min(3, 'write at least three letters').max(2000);
export const optionalTemp = temp.optional();
/** The instrument that showed a figure. */
/** Of a scale that the site does not have, g. */
export const UNKNOWN_DIVISION_G = 1;
/** Division of the scale, g: as the site has it, whatever is posted. */
export const division = z.number().positive().max(10_000).default(UNKNOWN_DIVISION_G);
export const shownBy = z.string().trim().min(1).max(100).optional();
/** Of a batch with several parts: which one it is about. */
export const part = z.string().min(1).max(40).optional();
