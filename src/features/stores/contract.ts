import { z } from 'zod';
import {
  ADDITION_KINDS,
  ALLERGENS,
  CULTURE_STORAGES,
  CULTURE_TEMPOS,
  SPECIES,
  cardCourse,
  type LotProblem,
} from '@/core';

export { casingFactsSchema } from './casing-contract';
export { sameName } from './lot-problems';
export type { Ingredient } from './repository';

/** Ten tonnes: more than any lot that this is for. */
const MAX_LOT_G = 10_000_000;

/** A clock a little ahead is no lie: devices drift. */
const CLOCK_SLACK_MS = 120_000;

const name = z.string().trim().min(1, 'give it a name').max(100);
const fraction = z.number('give a number').min(0, 'cannot be negative').max(1, 'more than 100 %');
const day = z.iso.date('give a day, such as 2026-12-24');

export const ingredientSchema = z.object({
  id: z.uuid(),
  name,
  kind: z.enum(['meat', 'cure', 'salt', 'addition']),
  facts: z.object({
    species: z.enum(SPECIES).optional(),
    fatFraction: fraction.optional(),
    additionKind: z.enum(ADDITION_KINDS).optional(),
    saltFraction: fraction.optional(),
    waterFraction: fraction.optional(),
    dextroseFraction: fraction.optional(),
    nitriteFraction: fraction.optional(),
    nitrateFraction: fraction.optional(),
    allergens: z.array(z.enum(ALLERGENS)).optional(),
  }),
});
const temp = z
  .number('give a temperature')
  .min(-5, 'no culture works below −5 °C')
  .max(60, 'no culture lives above 60 °C');

/** Do the temperatures of a card make a course? The core says it. */
function inOrder(card: Parameters<typeof cardCourse>[0]): boolean {
  try {
    cardCourse(card);
    return true;
  } catch {
    return false;
  }
}

/** What the label of a culture says. */
export const cultureSchema = z.object({
  ingredientId: z.uuid(),
  card: z
    .object({
      organisms: z.string().trim().max(300),
      tempo: z.enum(CULTURE_TEMPOS),
      minC: temp.optional(),
      bestC: temp.optional(),
      maxC: temp.optional(),
      doseGPerKg: z
        .number('give the dose')
        .positive('more than 0')
        .max(50, 'more than 50 g per kg is no starter culture')
        .optional(),
      storage: z.enum(CULTURE_STORAGES),
      wakeS: z
        .number('give the time in its water')
        .min(60, 'at least a minute')
        .max(12 * 3600, 'at most twelve hours')
        .optional(),
      useWithinS: z
        .number('give the time until it is used')
        .min(300, 'at least five minutes')
        .max(48 * 3600, 'at most two days')
        .optional(),
    })
    .refine((c) => (c.wakeS ?? 0) < (c.useWithinS ?? Infinity), {
      path: ['useWithinS'],
      message: 'longer than it lies in its water',
    })
    .refine(inOrder, {
      path: ['bestC'],
      message: 'the coldest is below the best, and that below the hottest',
    }),
});
export type CultureInput = z.infer<typeof cultureSchema>;

export type IngredientInput = z.infer<typeof ingredientSchema>;

export const lotSchema = z
  .object({
    id: z.uuid(),
    ingredientId: z.uuid('choose the ingredient'),
    code: z.string().trim().min(1, 'give the lot its number').max(60),
    supplier: z.string().trim().min(1, 'who brought it?').max(100),
    receivedAt: z.iso
      .datetime({ offset: true })
      .refine((at) => Date.parse(at) <= Date.now() + CLOCK_SLACK_MS, 'in the future'),
    receivedTempC: z.number().min(-40).max(60).nullable(),
    amountG: z.number('give the weight').positive('more than 0').max(MAX_LOT_G, 'more than 10 t'),
    costPerKg: z.number().min(0, 'cannot be negative').max(100_000).nullable(),
    useBy: day.nullable(),
    fatFraction: fraction.nullable(),
    nitriteFraction: fraction.max(0.2, 'stronger than any cure').nullable(),
    nitrateFraction: fraction.max(0.2, 'stronger than any cure').nullable(),
    owner: z.string().trim().min(1).max(100).nullable(),
  })
  .strict();
export type LotInput = z.infer<typeof lotSchema>;

/** A lot at the door; the decision says why it is received although it is outside its limit. */
export const receiptSchema = z.object({
  lot: lotSchema,
  decision: z
    .string()
    .trim()
    .min(3, 'say why it is received, in at least 3 characters')
    .max(300)
    .nullable(),
});

export const adjustSchema = z.object({
  id: z.uuid(),
  lotId: z.uuid(),
  /** What a count found is left, g. */
  countedG: z.number('give the weight').min(0, 'cannot be negative').max(MAX_LOT_G),
  reason: z.string().trim().min(3, 'say why, in at least 3 characters').max(300),
});
export type Adjust = z.infer<typeof adjustSchema>;

/** A lot that a line could be weighed from, with what still speaks against it. */
export type LotChoice = {
  id: string;
  code: string;
  leftG: number;
  useBy: string | null;
  owner: string | null;
  nitriteFraction: number | null;
  problems: LotProblem[];
};
