import { z } from 'zod';
import { PIECE_ENDS } from '@/core';
import { tickFields } from './bench-contract';
import { mass, optionalTemp, part, words, shownBy } from './entry-fields';

const control = z.discriminatedUnion('way', [
  z.object({
    way: z.literal('frozen'),
    thicknessMm: z.number().positive('must be more than 0').max(1000).nullable(),
    atC: z.number().min(-80).max(0, 'that is not frozen'),
    forS: z
      .number()
      .positive('must be more than 0')
      .max(400 * 24 * 3600, 'longer than a year'),
  }),
  z.object({ way: z.literal('certified'), certificate: words }),
]);
const piece = z
  .string()
  .trim()
  .min(1, 'name the piece')
  .max(60)
  .refine((name) => name !== '__proto__', 'name it another way');
/** The site's validated plan, named by who may decide. */
export const planNamed = z.object({ kind: z.literal('plan_named'), plan: words });

/** What is recorded of products that are not judged by their heat alone. */
export const finishing = [
  z.object({
    kind: z.literal('step_ticked'),
    part,
    stepId: z.string().min(1).max(60),
    tempC: optionalTemp,
    beforeC: optionalTemp,
    ...tickFields,
  }),
  z.object({
    kind: z.literal('parasites_controlled'),
    lineId: z.string().min(1).max(100),
    lotId: z.uuid().nullable(),
    control,
  }),
  z.object({ kind: z.literal('labelled'), part, text: words }),
  z.object({ kind: z.literal('served'), part, tempC: optionalTemp }),
  z.object({
    kind: z.literal('drying_started'),
    part,
    houseId: z.string().min(1).max(100).optional(),
  }),
  z.object({
    kind: z.literal('piece_weighed'),
    part,
    piece,
    weightG: mass,
    tareG: mass.optional(),
    shownBy,
  }),
  z.object({ kind: z.literal('piece_ended'), part, piece, why: z.enum(PIECE_ENDS) }),
  z.object({
    kind: z.literal('aw_logged'),
    part,
    aw: z.number().min(0.5, 'no sausage is below 0.5').max(1, 'above 1 cannot be'),
    meterCheckedS: z.number().positive().optional(),
  }),
] as const;
