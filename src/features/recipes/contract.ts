import { z } from 'zod';
import type { Recipe } from '@/core';

const name = z.string().trim().min(1, 'give it a name').max(100);
const id = z.string().min(1).max(60);
const fraction = z
  .number('give a number')
  .min(0, 'cannot be negative')
  .max(2, 'more than 200 % of the meat cannot be meant');
const duration = z
  .number('give a time')
  .min(0)
  .max(14 * 24 * 3600);
const UNCURED_LOW_C = 71;

const stage = z.object({
  id,
  name,
  kind: z.enum(['rest', 'dry', 'smoke', 'cook', 'bath', 'chill', 'hang']),
  airC: z.number('give a temperature').min(0).max(160, 'hotter than a smokehouse'),
  rh: z.number().min(0).max(1).optional(),
  smoke: z.boolean(),
  plannedS: duration.min(60, 'at least a minute'),
  endCoreC: z.number().min(20).max(95).optional(),
});

const shape = z.object({
  name,
  meat: z
    .array(
      z.object({
        id,
        name,
        species: z.enum(['pork', 'beef', 'lamb', 'game', 'poultry']),
        share: fraction.max(1),
      }),
    )
    .min(1, 'a recipe needs meat')
    .max(20),
  totalSaltFraction: fraction.max(0.1, 'more than 10 % salt cannot be meant'),
  cure: z
    .object({
      name,
      nitriteFraction: z
        .number()
        .positive('from the label, more than 0')
        .max(0.2, 'stronger than any cure'),
      nitrateFraction: z.number().min(0).max(0.2),
      targetPpm: z.number().positive('must be more than 0').max(1000, 'far over any limit'),
    })
    .nullable(),
  additions: z
    .array(
      z.object({
        id,
        name,
        kind: z.enum([
          'seasoning',
          'sugar',
          'binder',
          'phosphate',
          'accelerator',
          'water',
          'inclusion',
        ]),
        fraction,
      }),
    )
    .max(60),
  casing: z.object({ name, diameterMm: z.number().min(8).max(200) }),
  program: z.array(stage).min(1, 'the house needs at least one stage').max(20),
  process: z.object({
    prepareS: duration,
    cureHoldMinS: duration,
    cureHoldMaxS: duration,
    stuffS: duration,
    surfaceDryS: duration,
    pullS: duration,
    chill: z
      .array(z.object({ medium: z.enum(['ice_bath', 'shower', 'cooler']), plannedS: duration }))
      .min(1)
      .max(5),
    bloomS: duration,
    packS: duration,
  }),
});

/** A whole recipe as it may be saved: shapes, and the figures that must agree with each other. */
export const recipeSchema: z.ZodType<Recipe> = shape.superRefine((r, ctx) => {
  const issue = (path: (string | number)[], message: string) =>
    ctx.addIssue({ code: 'custom', path, message });
  const sum = r.meat.reduce((s, m) => s + m.share, 0);
  if (Math.abs(sum - 1) > 1e-6)
    issue(['meat'], `the shares sum to ${(sum * 100).toFixed(1)} %, not 100 %`);
  if (r.process.cureHoldMaxS < r.process.cureHoldMinS)
    issue(['process', 'cureHoldMaxS'], 'the longest hold is shorter than the shortest');
  r.program.forEach((s, i) => {
    if (!r.cure && s.smoke && s.airC < UNCURED_LOW_C)
      issue(
        ['program', i, 'airC'],
        `without cure, no smoke below ${UNCURED_LOW_C} °C: the only safe shape is hot and fast`,
      );
  });
});

export const saveRecipeSchema = z.object({
  /** Left out for a new recipe. */
  recipeId: z.uuid().optional(),
  /** The version that was edited; another newer one means somebody else saved first. */
  basedOn: z.number().int().min(0),
  reason: z.string().trim().min(3, 'say in a few words what changed').max(500),
  content: recipeSchema,
});
export type SaveRecipe = z.infer<typeof saveRecipeSchema>;
