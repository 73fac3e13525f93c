import { z } from 'zod';
import { LOT_PROBLEMS, READING_PLACES, RUN_EVENTS, type EntryBody, type LotProblem } from '@/core';
import { stageSchema, stagesSchema } from '@/features/programs/contract';
import {
  MAX_MASS_G,
  division,
  mass,
  optionalTemp,
  part,
  shownBy,
  temp,
  words,
} from './entry-fields';
import { phDoubted, phLogged } from './acidity-contract';
import { benchFacts, disagreeing, loadsSet, weighingFields } from './bench-contract';
import { hangingFacts, liesAgainst } from './hanging-contract';
import { finishing, planNamed } from './finishing-contract';
import { refSchema } from './ref';

export { MAX_MASS_G, UNKNOWN_DIVISION_G, mass } from './entry-fields';
export { batchIdOf, partIdOf, refOf, refSchema } from './ref';

const what = z.enum(READING_PLACES);
const reason = words;
const key = z.string().min(3).max(60);
const channelId = z.number().int().positive();

const weighed = z.object({
  kind: z.literal('weighed'),
  lineId: z.string().min(1).max(100),
  amountG: mass,
  scaleId: z.string().max(100),
  scaleResolutionG: division,
  targetG: z.number().nonnegative().max(MAX_MASS_G),
  nitriteFraction: z.number().positive().max(1).optional(),
  lot: z.string().trim().max(100).optional(),
  lotId: z.uuid().optional(),
  confirmed: z.literal(true).optional(),
  shownBy,
  ...weighingFields,
});
const lotAllowed = z.object({
  kind: z.literal('lot_allowed'),
  lotId: z.uuid().nullable(),
  lineId: z.string().min(1).max(100),
  problems: z.array(z.enum(LOT_PROBLEMS)).min(1).max(10),
  nitriteFraction: z.number().positive().max(1).optional(),
  reason: words,
});
const reading = z.object({
  kind: z.literal('reading_logged'),
  part,
  what,
  tempC: temp,
  thickest: z.boolean(),
  piece: z.string().trim().min(1).max(60).optional(),
});
const stepDone = z.object({
  kind: z.literal('step_done'),
  part,
  step: z.enum(['grind', 'mix', 'stuff', 'surface_dry', 'bloom', 'freeze', 'pack']),
  tempC: optionalTemp,
  weightG: mass.optional(),
  without: z.array(z.string().min(1).max(100)).max(100).optional(),
});
const reworkDone = z.object({ kind: z.literal('rework_done'), part, text: words });

/** Facts that can be reported and later corrected. */
const facts = [
  ...finishing,
  ...benchFacts,
  ...hangingFacts,
  weighed,
  reading,
  phLogged,
  stepDone,
  z.object({ kind: z.literal('cure_hold_started'), coolerC: optionalTemp }),
  z.object({ kind: z.literal('cure_hold_ended'), coolerC: optionalTemp }),
  z.object({
    kind: z.literal('run_started'),
    part,
    houseId: z.string().min(1).max(100),
    loadId: z.uuid().optional(),
    program: z
      .object({
        name: z.string().min(1).max(100),
        versionId: z.uuid().nullable(),
        stages: stagesSchema,
      })
      .optional(),
    sticks: z.number().int().positive().max(2000).optional(),
    position: z.string().trim().max(60).optional(),
  }),
  z.object({
    kind: z.literal('stage_started'),
    part,
    stageIndex: z.number().int().min(0).max(100),
    reason: reason.optional(),
  }),
  z.object({
    kind: z.literal('stage_extended'),
    part,
    stageIndex: z.number().int().min(0).max(100),
    byS: z
      .number()
      .positive()
      .max(48 * 3600, 'more than two days cannot be meant'),
    reason,
  }),
  z.object({ kind: z.literal('run_paused'), part, reason }),
  z.object({ kind: z.literal('run_resumed'), part }),
  z.object({
    kind: z.literal('moved'),
    part,
    stage: stageSchema,
    houseId: z.string().min(1).max(100).optional(),
    reason,
  }),
  z.object({
    kind: z.literal('event_logged'),
    part,
    event: z.enum(RUN_EVENTS),
    text: z.string().trim().max(500).optional(),
  }),
  z.object({
    kind: z.literal('probe_placed'),
    part,
    channelId,
    what,
    thickest: z.boolean(),
    position: z.string().trim().max(60).optional(),
  }),
  z.object({ kind: z.literal('probe_removed'), part, channelId, reason: words }),
  z.object({ kind: z.literal('pulled'), part }),
  z.object({ kind: z.literal('put_back'), part }),
  z.object({
    kind: z.literal('chill_started'),
    part,
    medium: z.enum(['ice_bath', 'shower', 'cooler']),
  }),
  z.object({ kind: z.literal('noted'), text: words }),
] as const;

const importedChannel = z.object({
  channelId,
  name: z.string().max(200),
  what,
  thickest: z.boolean(),
});
const imported = z.object({
  kind: z.literal('readings_imported'),
  part,
  fileName: z.string().max(255),
  sha256: z.string().length(64),
  channels: z.array(importedChannel).max(50),
});

const corrected = z.object({
  kind: z.literal('corrected'),
  reason: words,
  replacement: z.discriminatedUnion('kind', [...facts, imported]).nullable(),
  happenedS: z.number().optional(),
});

const acknowledged = z.object({
  kind: z.literal('alarm_acknowledged'),
  part,
  key,
  text: z.string().trim().max(500).optional(),
});

const disposed = z.object({
  kind: z.literal('disposed'),
  part,
  disposition: z.enum(['continue', 'cook_on', 'rework', 'destroy', 'release_on_authority']),
  reason: words,
  authority: z.string().trim().min(3, 'name the authority and its decision').max(500).optional(),
  checks: z.array(z.string().max(50)).max(20),
});

/** What a person may post; the server says who, and by which way a cure was checked. */
export const postedBodySchema = z.discriminatedUnion('kind', [
  ...facts,
  corrected,
  lotAllowed,
  loadsSet,
  planNamed,
  disposed.refine((d) => d.disposition !== 'release_on_authority' || d.authority, {
    path: ['authority'],
    message: 'name the authority and its written decision',
  }),
  z.object({
    kind: z.literal('cure_checked'),
    weighedId: z.uuid(),
    readingG: mass,
  }),
  z.object({ kind: z.literal('held'), part, reason: words }),
  reworkDone,
  acknowledged,
]);
export type PostedBody = z.infer<typeof postedBodySchema>;

export const postedEntrySchema = z.object({
  id: z.uuid(),
  happenedAt: z.iso.datetime({ offset: true }),
  body: postedBodySchema.superRefine((body, ctx) => {
    const said = body.kind === 'corrected' ? body.replacement : body;
    const wrong = said && (disagreeing(said) ?? liesAgainst(said));
    if (wrong) ctx.addIssue({ code: 'custom', path: [wrong[0]], message: wrong[1] });
  }),
  corrects: z.uuid().nullable().default(null),
  /** The person was asked about an odd figure and stands by it. */
  confirmed: z.boolean().default(false),
  enteredIn: z.enum(['metric', 'us']).default('metric'),
});
export type PostedEntry = z.input<typeof postedEntrySchema>;

const held = z.object({
  kind: z.literal('held'),
  part,
  source: z.enum(['rule', 'person']),
  check: z.string().optional(),
  reason: z.string(),
});

/** Every body that the logbook holds, for reading it back. */
const storedBodySchema = z.discriminatedUnion('kind', [
  ...facts,
  lotAllowed,
  loadsSet,
  planNamed,
  imported,
  corrected,
  disposed,
  acknowledged,
  z.object({
    kind: z.literal('alarm_raised'),
    part,
    alarm: z.string().max(60),
    key,
    figures: z.record(z.string(), z.number()),
  }),
  z.object({ kind: z.literal('alarm_cleared'), part, key }),
  phDoubted,
  z.object({
    kind: z.literal('alarm_told'),
    part,
    key,
    personId: z.string(),
    person: z.string(),
    reached: z.boolean(),
  }),
  z.object({
    kind: z.literal('cure_checked'),
    weighedId: z.uuid(),
    readingG: mass,
    method: z.enum(['second_person', 'reentered_alone']),
    scaleResolutionG: z.number().positive().max(10_000).optional(),
  }),
  reworkDone,
  z.object({ kind: z.literal('hold_lifted'), part, holdId: z.uuid(), reason: z.string() }),
  held,
  z.object({
    kind: z.literal('batch_started'),
    plannedMeatG: mass,
    readyByS: z.number(),
    recipeVersionId: z.uuid(),
    recipeSha256: z.string(),
    rules: z.array(z.object({ id: z.string(), sha256: z.string() })),
    carriesOver: z.string().optional(),
    practice: z.literal(true).optional(),
  }),
  z.object({
    kind: z.literal('signed'),
    part,
    verdictSha256: z.string(),
    evidenceSha256: z.string(),
    statement: z.string(),
    judgement: z.number().int().positive().optional(),
  }),
]);

/** The same as the core's type of it: a kind, a field or a value that only one of them has does not compile. */
export const entryBodySchema: z.ZodType<EntryBody> = storedBodySchema;
export type StoredBody = z.infer<typeof storedBodySchema>;
export const STORED_KINDS = storedBodySchema.options.map((o) => o.shape.kind.value);

/** Entries for several batches that are taken together or not at all: a load is one fact. */
export const postedOffersSchema = z.object({
  offers: z
    .array(z.object({ batchId: refSchema, entry: postedEntrySchema }))
    .min(1, 'say at least one entry')
    .max(200, 'at most 200 entries at once'),
});
export type PostedOffer = { batchId: string; entry: PostedEntry };

export type PostResult =
  | { ok: true; known: boolean; holds: string[] }
  | {
      ok: false;
      code: string;
      fields?: Record<string, string>;
      otherC?: number;
      /** What the probes show beside it, °C. */
      besideC?: number;
      /** Last weight of the same piece, and what was typed in the scale's other unit where that fits, g. */
      lastG?: number;
      otherG?: number;
      /** What speaks against the lot; a release lead decides. */
      problems?: LotProblem[];
      /** Of several: the number of the batch that does not take it. */
      batch?: string;
    };
