import { DateTime } from 'luxon';
import { z } from 'zod';
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

export const ruleEditSchema = z.object({
  ruleId: z.string(),
  title: z.string().trim().min(3).max(120),
  source: z.string().trim().min(10, 'Say where these figures come from').max(1000),
  body: ruleBodySchema,
});
export type RuleEdit = z.infer<typeof ruleEditSchema>;
