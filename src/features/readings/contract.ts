import { z } from 'zod';

export const MAX_READINGS = 10_000;

/** One reading as a device reports it. */
export const deviceReadingSchema = z.object({
  channel: z
    .string()
    .min(1)
    .max(60)
    .meta({ description: 'Key of the channel in the device’s house', example: 'core-1' }),
  at: z.iso.datetime({ offset: true }).meta({
    description: 'When it was measured; ISO 8601 with offset',
    example: '2026-11-23T14:20:00Z',
  }),
  tempC: z.number().min(-60).max(260).meta({ description: 'Temperature, °C' }),
});

/** The envelope is checked as a whole; each row is checked alone, so that good ones are kept. */
export const readingsRequestSchema = z.object({
  readings: z.array(z.unknown()).min(1).max(MAX_READINGS),
});
export const readingsDocSchema = z.object({
  readings: z.array(deviceReadingSchema).min(1).max(MAX_READINGS),
});

export const badRowSchema = z.object({
  index: z.number().int(),
  field: z.string(),
  reason: z.string(),
});
export const readingsAnswerSchema = z.object({
  ok: z.literal(true),
  new: z.number().int().meta({ description: 'Rows stored now' }),
  known: z
    .number()
    .int()
    .meta({ description: 'Rows that were stored before, or twice in this request' }),
  bad: z.array(badRowSchema).meta({ description: 'Rows that were not kept, each with its reason' }),
});
export type ReadingsAnswer = z.infer<typeof readingsAnswerSchema>;

export const errorAnswerSchema = z.object({
  ok: z.literal(false),
  code: z.string(),
  message: z.string(),
});

export const houseProgramSchema = z.object({
  ok: z.literal(true),
  house: z.string(),
  batch: z.string().nullable().meta({ description: 'Code of the batch that the house works on' }),
  stage: z.string().nullable(),
  medium: z.enum(['air', 'bath', 'ice_bath', 'shower', 'cooler']),
  setC: z
    .number()
    .nullable()
    .meta({ description: 'Set point of the medium around the product, °C' }),
  diameterMm: z.number().nullable(),
  channels: z.array(z.object({ key: z.string(), what: z.string(), lastC: z.number().nullable() })),
});
export type HouseProgram = z.infer<typeof houseProgramSchema>;

export const importOptionsSchema = z.object({
  dateOrder: z.enum(['DMY', 'MDY', 'YMD']).optional(),
  unit: z.enum(['C', 'F']).optional(),
});

export const columnChoiceSchema = z
  .array(
    z.object({
      name: z.string().min(1).max(200),
      what: z.enum(['core', 'air', 'cooler', 'ignore']),
      thickest: z.boolean(),
    }),
  )
  .min(1)
  .max(50);
export type ColumnChoice = z.infer<typeof columnChoiceSchema>;

/** Ten megabytes: a week of one-second readings. */
export const MAX_FILE_BYTES = 10 * 1024 * 1024;
