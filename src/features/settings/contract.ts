import { DateTime } from 'luxon';
import { z } from 'zod';
import type { RuleBody } from '@/core';

const hhmm = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/, 'a time such as 07:30');
const open = z
  .object({ from: hhmm, to: hhmm })
  .refine((d) => d.from < d.to, 'the end must be after the start')
  .nullable();

export const siteSchema = z.object({
  name: z.string().trim().min(1, 'Give the site a name').max(80),
  timeZone: z
    .string()
    .refine((z) => z !== '' && DateTime.utc().setZone(z).isValid, 'not a time zone that is known'),
  locale: z.enum(['en-US', 'en-GB', 'en-CA', 'de-DE']),
  unitSystem: z.enum(['metric', 'us']),
  workingHours: z.object({ 1: open, 2: open, 3: open, 4: open, 5: open, 6: open, 7: open }),
});

export const hangingSchema = z.object({
  id: z.string().min(1),
  sticks: z.number('give the number of sticks').int().positive().max(2000),
  stickMm: z.number('give the length of a stick').positive().max(10_000),
  dropMm: z.number('give the longest piece').positive().max(10_000),
  capacityG: z.number('give the weight it carries').positive().max(10_000_000),
});

const seconds = z
  .number()
  .positive()
  .max(7 * 24 * 3600);
const temp = z.number().min(-40).max(200);
const ppm = z.number().min(0).max(1000);
const share = z.number().min(0).max(1);
const pair = z.object({
  meat: z.number().positive().max(200),
  poultry: z.number().positive().max(200),
});

export const ruleBodySchema: z.ZodType<RuleBody> = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('dose'),
      basis: z.enum(['meat_block', 'whole_batch', 'finished']),
      as: z.enum(['sodium_nitrite', 'nitrite_ion']).optional(),
      minPpm: ppm,
      maxPpm: ppm,
    })
    .refine((r) => r.minPpm < r.maxPpm, 'the lower limit must be below the upper'),
  z.object({
    kind: z.literal('lethality'),
    way: z.enum(['end_point', 'table', 'integrated']),
    endPointC: pair,
    model: z.object({
      tRefC: temp,
      dRefMin: z.number().positive().max(1000),
      zC: z.number().positive().max(50),
      creditFromC: temp.optional(),
    }),
    targetLogs: pair,
  }),
  z.object({
    kind: z.literal('cooling'),
    steps: z
      .array(
        z
          .object({ fromC: temp, toC: temp, maxS: seconds })
          .refine((s) => s.toC < s.fromC, 'must end colder than it starts'),
      )
      .min(1)
      .max(5),
    needs: z.object({ nitritePpm: ppm, acceleratorPpm: ppm }).optional(),
  }),
  z
    .object({ kind: z.literal('come_up'), fromC: temp, toC: temp, maxS: seconds })
    .refine((r) => r.fromC < r.toC, 'must end warmer than it starts'),
  z.object({
    kind: z.literal('cure_hold'),
    minS: seconds,
    maxCoolerC: temp,
    acceleratorFromPpm: ppm,
  }),
  z.object({
    kind: z.literal('uncured_smoke'),
    fromC: temp,
    toC: temp,
    maxS: seconds,
    coldSmokeBelowC: temp,
  }),
  z.object({
    kind: z.literal('probe_evidence'),
    maxGapS: seconds,
    handMaxGapS: seconds,
    chillMaxGapS: seconds,
    flatLineS: seconds,
    maxCPerMin: z.number().positive().max(100),
  }),
  z
    .object({
      kind: z.literal('formula'),
      minSaltFraction: share,
      maxSaltFraction: share,
      maxAcceleratorPpm: z.number().min(0).max(10_000),
      maxBinderFraction: share,
      maxPhosphateFraction: share,
      maxFatFraction: share,
      maxFatWaterFraction: share,
    })
    .refine((r) => r.minSaltFraction < r.maxSaltFraction, 'the least salt must be below the most'),
  z.object({
    kind: z.literal('fermentation'),
    targetPh: z.number().min(4).max(6),
    floorC: temp,
    bands: z
      .array(z.object({ belowC: temp, degreeHours: z.number().positive().max(10_000) }))
      .min(1)
      .max(6)
      .refine(
        (bands) => bands.every((b, i) => i === 0 || b.belowC > bands[i - 1]!.belowC),
        'the temperatures must rise',
      ),
  }),
]);

export const ruleEditSchema = z.object({
  ruleId: z.string(),
  title: z.string().trim().min(3).max(120),
  source: z.string().trim().min(10, 'Say where these figures come from').max(1000),
  body: ruleBodySchema,
});
export type RuleEdit = z.infer<typeof ruleEditSchema>;
