import { DateTime } from 'luxon';
import { z } from 'zod';
import { MACHINE_KINDS } from '@/core';
import { ruleBodySchema } from './rule-schema';

export { ruleBodySchema };

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
