import { z } from 'zod';
import { STAGE_KINDS, STAGE_PLACES, type ProgramStage } from '@/core';

const name = z.string().trim().min(1, 'give it a name').max(100);
const part = z.number('give a number').min(0, 'cannot be negative').max(1, 'more than 100 %');
const seconds = z
  .number('give a time')
  .min(60, 'at least a minute')
  .max(60 * 24 * 3600, 'longer than 60 days');
const core = z.number('give a temperature').min(-5).max(95, 'hotter than any core');

const ends = z.object({
  join: z.enum(['any', 'all']),
  afterS: seconds.optional(),
  coreC: core.optional(),
  logs: z.number('give the logs').positive('must be more than 0').max(12).optional(),
  lossFraction: part.max(0.6, 'more than 60 % cannot be meant').optional(),
  ph: z
    .number('give a pH')
    .min(3.5, 'no sausage is that sour')
    .max(6.5, 'it begins below that')
    .optional(),
  dry: z.boolean().optional(),
});

/** One stage, its shape alone. */
export const stageShape = z.object({
  id: z.string().min(1).max(60),
  name,
  kind: z.enum(STAGE_KINDS),
  airC: z.number('give a temperature').min(-5).max(160, 'hotter than a smokehouse'),
  rh: part.optional(),
  smoke: z.boolean(),
  plannedS: seconds,
  endCoreC: z.number().min(20).max(95).optional(),
  place: z.enum(STAGE_PLACES).optional(),
  rampFromC: z.number('give a temperature').min(-5).max(160).optional(),
  wetBulbC: z.number('give a temperature').min(-5).max(100).optional(),
  damper: part.optional(),
  fan: part.optional(),
  wood: z.string().trim().max(60).optional(),
  ends: ends.optional(),
  maxS: seconds.optional(),
});

const IN_WATER = ['water_bath', 'shower', 'ice_bath'];

/** One stage of a program as it may be saved: shapes, and the figures that must agree. */
export const stageSchema = stageShape.superRefine((s, ctx) => {
  const issue = (path: string, message: string) =>
    ctx.addIssue({ code: 'custom', path: [path], message });
  const wet = s.place ? IN_WATER.includes(s.place) : s.kind === 'bath';
  if (wet && s.airC > 98) issue('airC', 'water boils: at most 98 °C');
  if (wet && s.smoke) issue('smoke', 'no smoke in water');
  if (s.wetBulbC !== undefined && s.wetBulbC > s.airC)
    issue('wetBulbC', 'the wet bulb cannot be above the air');
  if (s.maxS !== undefined && s.ends?.afterS !== undefined && s.maxS < s.ends.afterS)
    issue('maxS', 'shorter than the stage itself');
  if (s.ends && s.endCoreC !== undefined) issue('endCoreC', 'the core that ends it is said twice');
  if (s.ends) {
    const { join: _join, ...conditions } = s.ends;
    if (Object.values(conditions).every((v) => v === undefined || v === false))
      issue('ends', 'say what ends the stage');
  }
});

export const stagesSchema: z.ZodType<ProgramStage[]> = z
  .array(stageSchema)
  .min(1, 'a program needs at least one stage')
  .max(20)
  .refine((list) => new Set(list.map((s) => s.id)).size === list.length, 'two stages share an id');

export const saveProgramSchema = z.object({
  /** Left out for a new program. */
  programId: z.uuid().optional(),
  /** The version that was edited; another newer one means somebody else saved first. */
  basedOn: z.number().int().min(0),
  name,
  reason: z.string().trim().min(3, 'say what changed, in at least 3 characters').max(500),
  stages: stagesSchema,
});
export type SaveProgram = z.infer<typeof saveProgramSchema>;
