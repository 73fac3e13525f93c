import { z } from 'zod';
import { CASING_FORMS, CASING_KINDS, SOAK_ADDS, type CasingFacts } from '@/core';

const name = z.string().trim().min(1, 'give it a name').max(60);
const minutes = (what: string) =>
  z
    .number(`give ${what} in minutes`)
    .positive('must be more than 0')
    .max(3 * 24 * 60, 'more than three days');
const mm = z
  .number('give a diameter')
  .min(8, 'thinner than any casing')
  .max(200, 'wider than any casing');
const share = (what: string) =>
  z.number(`give ${what}`).min(0, 'from 0 to 100 %').max(1, 'from 0 to 100 %');

const soak = z
  .object({
    minMin: minutes('the soak'),
    maxMin: minutes('the longest usual soak'),
    waterC: z
      .number('give the temperature of the water')
      .min(0, 'frozen')
      .max(60, 'hotter than a casing takes'),
    weakFromMin: minutes('when it gets weak'),
    add: z
      .object({
        what: z.enum(SOAK_ADDS),
        gPerL: z
          .number('grams to each litre')
          .positive('must be more than 0')
          .max(200, 'more than 200 grams to a litre'),
      })
      .nullable(),
  })
  .refine((s) => s.minMin <= s.maxMin && s.maxMin <= s.weakFromMin, {
    path: ['maxMin'],
    message: 'first ready, then the longest usual soak, then weak: in that order',
  });

/** What is known of a casing; the same as the shipped table's. */
export const casingFactsSchema: z.ZodType<CasingFacts> = z
  .object({
    fromMm: mm,
    toMm: mm,
    stretch: share('how much wider it is stuffed').max(0.5, 'more than half'),
    soak: soak.nullable(),
    poachToC: z.number().min(30, 'cooler than any bath').max(100, 'hotter than water').nullable(),
    tieAboveG: z.number('give a weight').positive('must be more than 0').max(100_000),
    smokePasses: z.boolean(),
    edible: z.boolean(),
    permeability: share('how freely water passes'),
    looped: z.boolean(),
  })
  .refine((f) => f.fromMm <= f.toMm, {
    path: ['toMm'],
    message: 'the smallest first, then the widest',
  });

export const casingKindSchema = z.object({ id: z.uuid(), name, facts: casingFactsSchema });
export type CasingKindInput = z.infer<typeof casingKindSchema>;

export const casingLotSchema = z.object({
  id: z.uuid(),
  /** A kind of the shipped table, or the id of one of the site's own. */
  of: z.union([z.enum(CASING_KINDS), z.uuid('choose the casing')]),
  code: name,
  supplier: z.string().trim().min(1, 'who brought it?').max(100),
  form: z.enum(CASING_FORMS),
  count: z.number('give how many').positive('must be more than 0').max(100_000),
  eachM: z.number('give the length of one').positive('must be more than 0').max(5000),
  diameterMm: mm,
  useBy: z.iso.date('give a day').nullable(),
  /** When it came; now where left out. */
  receivedAt: z.iso
    .datetime({ offset: true, error: 'give a day and a time' })
    .refine((at) => Date.parse(at) <= Date.now() + 120_000, 'in the future')
    .optional(),
});
export type CasingLotInput = z.infer<typeof casingLotSchema>;

export const casingMoveSchema = z
  .object({
    id: z.uuid(),
    lotId: z.uuid(),
    what: z.enum(['opened', 'resalted', 'counted']),
    /** What a count found, m; for a count only. */
    countedM: z.number().min(0, 'cannot be less than nothing').max(1e6).optional(),
    reason: z.string().trim().max(300).default(''),
  })
  .refine((m) => m.what !== 'counted' || (m.countedM !== undefined && m.reason.length >= 3), {
    path: ['reason'],
    message: 'say what the count found, and why',
  });
export type CasingMoveInput = z.infer<typeof casingMoveSchema>;
