import { z } from 'zod';
import { PH_SAMPLES } from '@/core';
import { optionalTemp, part, shownBy } from './entry-fields';

/** A pH as somebody posts it. Where a meter of the site is named, the server says the pH behind it and when it was checked. */
export const phLogged = z.object({
  kind: z.literal('ph_logged'),
  part,
  ph: z.number().min(3, 'no sausage is below pH 3').max(8, 'no sausage is above pH 8'),
  meterCheckedS: z.number().positive().optional(),
  meter: z
    .object({
      id: z.uuid(),
      name: z.string().trim().min(1).max(60),
      shownPh: z.number().min(0).max(14),
    })
    .optional(),
  sample: z.enum(PH_SAMPLES).optional(),
  sampleC: optionalTemp,
  shownBy,
});

export const phDoubted = z.object({
  kind: z.literal('ph_doubted'),
  part,
  meterId: z.uuid(),
  meter: z.string(),
  sinceS: z.number(),
});
