import { DateTime } from 'luxon';
import { z } from 'zod';
import { HOT_DEPTHS, HOT_LEVELS, MACHINE_KINDS, THICK_WHERE } from '@/core';
import { ruleBodySchema } from './rule-schema';

export { ruleBodySchema };

/** A time of the day at the site; 24:00 is its end. */
export const hhmm = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/, 'a time such as 07:30');
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

const interval = z
  .number('give minutes, or leave it empty')
  .positive('must be more than 0')
  .max(7 * 24 * 3600, 'more than a week cannot be meant')
  .nullable();

/** How a place hangs: levels, rows and where it is hot. */
export const layoutSchema = z.object({
  id: z.string().min(1).max(100),
  layout: z.object({
    levels: z.number('give the levels').int('whole levels only').min(1, 'at least one').max(20),
    rows: z.number('give the rows').int('whole rows only').min(1, 'at least one').max(60),
    rowMm: z.number('give the distance').positive('must be more than 0').max(2000),
    hotDepth: z.enum(HOT_DEPTHS),
    hotLevel: z.enum(HOT_LEVELS),
    thick: z.enum(THICK_WHERE),
    stickTareG: z.number().positive('must be more than 0').max(20_000).nullable(),
  }),
});

const bathFigure = (what: string, most: number) =>
  z.number(`give ${what}`).nonnegative('cannot be less than nothing').max(most);

/** How a place is kept; a bath with its water, its surface and the height left to its rim. */
export const careSchema = z.object({
  id: z.string().min(1).max(100),
  care: z.object({
    preheatS: interval,
    fuelEveryS: interval,
    woodEveryS: interval,
    ceilingC: z
      .number('give a temperature, or leave it empty')
      .min(0, 'below freezing')
      .max(200, 'hotter than any house')
      .nullable(),
    bath: z
      .object({
        volumeL: bathFigure('the water', 5000).positive('must be more than 0'),
        areaCm2: bathFigure('the surface', 200_000).positive('must be more than 0'),
        rimCm: bathFigure('the height to the rim', 300),
      })
      .nullable(),
  }),
});

/** Where an air sensor of a place hangs. */
export const sensorSchema = z.object({
  channelId: z.number().int().positive(),
  level: z.number().int('whole levels only').min(1, 'from 1 on').max(20).nullable(),
  depth: z.enum(['front', 'middle', 'back']).nullable(),
});

const holes = (what: string) =>
  z
    .array(
      z
        .number(`give ${what} in mm, with commas between`)
        .min(1, 'at least 1 mm')
        .max(80, 'at most 80 mm'),
    )
    .max(12, 'at most twelve');

export const machineSchema = z.object({
  id: z.string().min(1).max(100).optional(),
  name: z.string().trim().min(1, 'give the machine a name').max(60),
  kind: z.enum(MACHINE_KINDS),
  capacityG: z
    .number('give a weight, or leave it empty')
    .positive('must be more than 0')
    .max(2e6)
    .nullable(),
  deadG: z
    .number('give a weight, or leave it empty')
    .nonnegative('cannot be less than nothing')
    .max(50_000)
    .nullable(),
  platesMm: holes('the plates'),
  hornsMm: holes('the horns'),
  note: z.string().trim().max(300),
});
export type MachineInput = z.infer<typeof machineSchema>;

export const ruleEditSchema = z.object({
  ruleId: z.string(),
  title: z.string().trim().min(3).max(120),
  source: z.string().trim().min(10, 'Say where these figures come from').max(1000),
  body: ruleBodySchema,
});
export type RuleEdit = z.infer<typeof ruleEditSchema>;

const personId = z.string().min(1, 'choose somebody').max(80);
const day = z.iso.date('this is no date');
const span = (from: string, to: string) => from !== to;

/** Somebody works on these weekdays from when to when; a time that is not later goes over midnight. */
export const shiftSchema = z
  .object({
    personId,
    days: z
      .array(z.number().int().min(1).max(7))
      .min(1, 'one day at least')
      .max(7)
      .refine((d) => new Set(d).size === d.length, 'each day once'),
    from: hhmm,
    to: hhmm,
  })
  .refine((s) => span(s.from, s.to), { path: ['to'], message: 'a shift has a length' });

export const daysOffSchema = z
  .object({
    from: day,
    to: day,
    personId: personId.nullable(),
    why: z.string().trim().min(2, 'say what for').max(80),
  })
  .refine((o) => o.from <= o.to, { path: ['to'], message: 'ends before it begins' });

export const extraHoursSchema = z
  .object({ personId, day, from: hhmm, to: hhmm })
  .refine((e) => span(e.from, e.to), { path: ['to'], message: 'it has a length' });

/** One change of the roster. What is taken out is named by what it says, so that nobody takes out another one. */
export const rosterChangeSchema = z.discriminatedUnion('change', [
  z.object({ change: z.literal('add_shift'), shift: shiftSchema }),
  z.object({ change: z.literal('remove_shift'), shift: shiftSchema }),
  z.object({ change: z.literal('add_off'), off: daysOffSchema }),
  z.object({ change: z.literal('remove_off'), off: daysOffSchema }),
  z.object({ change: z.literal('add_extra'), extra: extraHoursSchema }),
  z.object({ change: z.literal('remove_extra'), extra: extraHoursSchema }),
]);
export type RosterChange = z.infer<typeof rosterChangeSchema>;
