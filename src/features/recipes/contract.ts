import { z } from 'zod';
import {
  ADDITION_KINDS,
  ALLERGENS,
  CASING_KINDS,
  CURE_WORDS,
  OUTCOMES,
  PLACES_IN_PROCESS,
  SCHOOLS,
  SPECIES,
  UNCURED_SMOKE_FROM_C,
  type Recipe,
} from '@/core';
import { stageSchema } from '@/features/programs/contract';
import { casingFactsSchema } from '@/features/stores/contract';
import { stepSchema, wayAgrees } from './way-contract';

const name = z.string().trim().min(1, 'give it a name').max(100);
const id = z.string().min(1).max(60);
const fraction = z
  .number('give a number')
  .min(0, 'cannot be negative')
  .max(2, 'more than 200 % of the meat cannot be meant');
const part = z.number('give a number').min(0, 'cannot be negative').max(1, 'more than 100 %');
const cost = z.number('give a number').min(0, 'cannot be negative').max(100_000);
const duration = z
  .number('give a time')
  .min(0)
  .max(60 * 24 * 3600, 'longer than 60 days');
const massG = z.number('give a weight').positive('must be more than 0').max(10_000_000);

const meatLine = z.object({
  id,
  name,
  species: z.enum(SPECIES),
  share: fraction.max(1, 'more than 100 %').positive('must be more than 0'),
  fatFraction: part.optional(),
  writtenG: massG.optional(),
  costPerKg: cost.optional(),
});

const addition = z.object({
  id,
  name,
  kind: z.enum(ADDITION_KINDS),
  fraction,
  written: z
    .discriminatedUnion('as', [
      z.object({ as: z.literal('percent') }),
      z.object({ as: z.literal('g_per_kg') }),
      z.object({ as: z.literal('packet'), packetG: massG, perMeatG: massG }),
    ])
    .optional(),
  place: z.enum(PLACES_IN_PROCESS).optional(),
  saltFraction: part.optional(),
  waterFraction: part.optional(),
  fatFraction: part.optional(),
  dextroseFraction: part.optional(),
  allergens: z.array(z.enum(ALLERGENS)).max(ALLERGENS.length).optional(),
  labelUnread: z.literal(true).optional(),
  costPerKg: cost.optional(),
});

const cure = z.object({
  name,
  nitriteFraction: z
    .number('give the percentage on the label')
    .positive('from the label, more than 0')
    .max(0.2, 'stronger than any cure'),
  nitrateFraction: z.number('give a number').min(0).max(0.2, 'stronger than any cure'),
  targetPpm: z
    .number('give the ppm')
    .positive('must be more than 0')
    .max(1000, 'far over any limit'),
  basis: z.enum(['meat_block', 'whole_batch', 'finished']).optional(),
  acceptsItsSalt: z.boolean().optional(),
  costPerKg: cost.optional(),
});

const schools = z.object(
  Object.fromEntries(
    Object.entries(SCHOOLS).map(([q, options]) => [q, z.enum(options).optional()]),
  ),
);

const casingShape = z.object({
  name,
  diameterMm: z.number('give a number').min(8, 'thinner than any casing').max(200),
  kind: z.enum(CASING_KINDS).optional(),
  pieceMm: z.number('give a number').min(20, 'shorter than any piece').max(5000).optional(),
  wasteFraction: part.max(0.5, 'more than half is wasted').optional(),
  own: casingFactsSchema.optional(),
});

const yieldShape = z
  .number('give a number')
  .min(0.2, 'the finished product is at least 20 % of the batter')
  .max(1.2, 'the finished product is at most 120 % of the batter');

const bodyShape = z.object({
  name,
  meat: z.array(meatLine).min(1, 'a recipe needs meat').max(20),
  totalSaltFraction: fraction.max(0.1, 'more than 10 % salt cannot be meant'),
  cure: cure.nullable(),
  additions: z.array(addition).max(80),
  casing: casingShape,
  outcome: z.enum(OUTCOMES).optional(),
  drying: z
    .object({
      minLossFraction: part.max(0.6, 'more than 60 % cannot be meant').optional(),
      maxAw: z
        .number('give a water activity')
        .min(0.6, 'below 0.6')
        .max(0.98, 'above 0.98')
        .optional(),
    })
    .refine((d) => d.minLossFraction !== undefined || d.maxAw !== undefined, {
      path: ['minLossFraction'],
      message: 'give a loss, a water activity, or both',
    })
    .optional(),
  schools: schools.optional(),
  expectedYield: yieldShape.optional(),
  fermentation: z
    .object({
      targetPh: z.number('give a pH').min(4, 'below pH 4').max(5.6, 'above pH 5.6'),
      floorPh: z.number('give a pH').min(3.8, 'below pH 3.8').max(5.6, 'above pH 5.6'),
    })
    .optional(),
  customersMeat: z.boolean().optional(),
  saltCostPerKg: cost.optional(),
  casingCostPerM: cost.optional(),
});

/** A recipe as it is written today: its way is one list of steps. */
export const routedShape = bodyShape.extend({
  route: z.array(stepSchema).min(1, 'a way has more steps').max(60),
  parts: z
    .array(
      z.object({
        id: z.string().regex(/^[a-z0-9-]{1,40}$/, 'small letters, digits and dashes'),
        name,
        share: fraction.max(1, 'more than 100 %').positive('must be more than 0'),
        casing: casingShape,
        route: z.array(stepSchema).min(1, 'say what happens after the stuffing').max(60),
        expectedYield: yieldShape.optional(),
      }),
    )
    .min(2, 'a batter in one casing has no parts')
    .max(6)
    .optional(),
});

/** A recipe as it was written before there were routes; read for ever. */
const plannedShape = bodyShape.extend({
  program: z.array(stageSchema).min(1, 'the house needs at least one stage').max(20),
  process: z.object({
    prepareS: duration,
    cureHoldMinS: duration,
    cureHoldMaxS: duration,
    stuffS: duration,
    surfaceDryS: duration,
    pullS: duration,
    chill: z
      .array(z.object({ medium: z.enum(['ice_bath', 'shower', 'cooler']), plannedS: duration }))
      .min(1, 'it has to be chilled')
      .max(5),
    bloomS: duration,
    packS: duration,
  }),
});

/** The shape of a recipe in either form: what the published schema says. */
export const recipeShape = z.union([routedShape, plannedShape]);

type Shape = z.infer<typeof recipeShape>;
type Report = (path: (string | number)[], message: string) => void;

function meatAgrees(r: Shape, issue: Report) {
  const sum = r.meat.reduce((s, m) => s + m.share, 0);
  if (Math.abs(sum - 1) > 1e-6)
    issue(['meat'], `the shares sum to ${(sum * 100).toFixed(1)} %, not 100 %`);
}

function idsDiffer(r: Shape, issue: Report) {
  const lines = [...r.meat, ...r.additions].map((l) => l.id);
  const twice = lines.find((x, i) => lines.indexOf(x) !== i || x === 'cure' || x === 'salt');
  if (twice !== undefined) issue(['additions'], `two lines have the id ${twice}`);
  const stages = 'program' in r ? r.program.map((s) => s.id) : [];
  if (new Set(stages).size < stages.length) issue(['program'], 'two stages have the same id');
}

/** Nitrite is dosed in one place: a cure among the additions is a second one, or one in disguise. */
function oneCure(r: Shape, issue: Report) {
  r.additions.forEach((a, i) => {
    if (CURE_WORDS.test(a.name))
      issue(
        ['additions', i, 'name'],
        r.cure
          ? `${a.name} would be a second cure: the recipe has ${r.cure.name} already`
          : `${a.name} is a cure: choose “cured” and give it there, with its strength and ppm`,
      );
  });
}

function packetsAgree(r: Shape, issue: Report) {
  r.additions.forEach((a, i) => {
    if (a.written?.as !== 'packet') return;
    const said = a.written.packetG / a.written.perMeatG;
    if (Math.abs(said - a.fraction) > 1e-9)
      issue(['additions', i, 'fraction'], 'does not agree with the packet it was written from');
  });
}

/** An old recipe is asked what it was asked when it was written. */
function processAgrees(r: Shape, issue: Report) {
  if (!('program' in r)) return wayAgrees(r as Recipe, issue);
  if (r.process.cureHoldMaxS < r.process.cureHoldMinS)
    issue(['process', 'cureHoldMaxS'], 'the longest hold is shorter than the shortest');
  if (r.fermentation && r.fermentation.targetPh < r.fermentation.floorPh)
    issue(['fermentation', 'targetPh'], 'lower than the culture reaches');
  const ferments = r.program.some((s) => s.kind === 'ferment');
  if (r.fermentation && !ferments)
    issue(['program'], 'a fermented product needs a fermentation stage');
  if (!r.fermentation && ferments)
    issue(['program'], 'a fermentation stage needs a target pH: choose a fermentation');
  r.program.forEach((s, i) => {
    if (!r.cure && s.smoke && s.airC < UNCURED_SMOKE_FROM_C)
      issue(
        ['program', i, 'airC'],
        `without cure, no smoke below ${UNCURED_SMOKE_FROM_C} °C: the only safe shape is hot and fast`,
      );
  });
}

const isOldForm = (raw: unknown) =>
  typeof raw === 'object' && raw !== null && 'program' in raw && !('route' in raw);

/** A whole recipe as it may be saved, in either form: shapes, and the figures that must agree with each other. */
export const recipeSchema = z.unknown().transform((raw, ctx): Recipe => {
  const read = (isOldForm(raw) ? plannedShape : routedShape).safeParse(raw);
  const issue: Report = (path, message) => ctx.addIssue({ code: 'custom', path, message });
  if (!read.success) {
    for (const i of read.error.issues) issue(i.path as (string | number)[], i.message);
    return z.NEVER;
  }
  const shape: Shape = read.data;
  for (const agree of [meatAgrees, idsDiffer, oneCure, packetsAgree, processAgrees])
    agree(shape, issue);
  return shape as Recipe;
});

export const saveRecipeSchema = z.object({
  /** Left out for a new recipe. */
  recipeId: z.uuid().optional(),
  /** The version that was edited; another newer one means somebody else saved first. */
  basedOn: z.number().int().min(0),
  reason: z.string().trim().min(3, 'say what changed, in at least 3 characters').max(500),
  content: recipeSchema,
});
export type SaveRecipe = z.infer<typeof saveRecipeSchema>;

export const decideSchema = z.object({
  versionId: z.uuid(),
  status: z.enum(['approved', 'retired']),
  reason: z.string().trim().min(3, 'say why, in at least 3 characters').max(500),
});
export type Decide = z.infer<typeof decideSchema>;
