import { z } from 'zod';

export const RECORD_FORMAT = 'jolly-kettle/batch-record/1';

const at = z.iso.datetime();

const entry = z.strictObject({
  id: z.uuid(),
  seq: z.int().describe('Its place in the chain'),
  by: z.strictObject({ id: z.string(), name: z.string() }),
  corrects: z.uuid().nullable().describe('The entry that this one corrects'),
  body: z.looseObject({ kind: z.string() }).describe('What was reported: g, °C, s, fractions'),
  happenedAt: at,
  recordedAt: at,
});

const readings = z.strictObject({
  channel: z.int(),
  name: z.string().nullable(),
  what: z.string(),
  thickest: z.boolean(),
  values: z.array(z.tuple([at, z.number()])).describe('Time and °C'),
});

const rule = z.object({
  id: z.string(),
  title: z.string(),
  source: z.string(),
  version: z.int(),
});

const check = z.strictObject({
  code: z.string(),
  status: z.string(),
  because: z.string(),
  figures: z.array(z.strictObject({ name: z.string(), value: z.number(), unit: z.string() })),
  rule,
});

/** The record of a batch as a file. */
export const recordSchema = z.strictObject({
  format: z.literal(RECORD_FORMAT),
  site: z.string(),
  notice: z.string(),
  batch: z.strictObject({
    id: z.string(),
    code: z.string(),
    recipe: z.looseObject({ name: z.string() }).describe('As in a recipe file'),
    recipeVersion: z.int(),
    startedAt: at,
    closedAt: at.nullable(),
  }),
  rules: z.array(z.looseObject({ ...rule.shape, body: z.looseObject({ kind: z.string() }) })),
  entries: z.array(entry),
  readings: z.array(readings),
  verdict: z.strictObject({
    checks: z.array(check),
    overall: z.enum(['pass', 'fail', 'missing']),
    decided: z.array(z.string()),
  }),
});

/** Its JSON Schema: a published format, open to all. */
export const recordJsonSchema = () => ({
  ...z.toJSONSchema(recordSchema, { target: 'draft-2020-12' }),
  title: 'Jolly Kettle batch record',
});
