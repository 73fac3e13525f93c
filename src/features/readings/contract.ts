import { z } from 'zod';

export const MAX_READINGS = 10_000;

const channel = z
  .string()
  .min(1)
  .max(60)
  .meta({ description: 'Key of the channel in the device’s house', example: 'core-1' });
const at = z.iso.datetime({ offset: true }).meta({
  description: 'When it was measured; ISO 8601 with offset',
  example: '2026-11-23T14:20:00Z',
});

/** One reading as a device reports it. */
export const deviceReadingSchema = z.object({
  channel,
  at,
  /* Nearer to 0 than any probe can tell is 0: the database has no such small figures. */
  tempC: z
    .number()
    .min(-60)
    .max(260)
    .overwrite((t) => (Math.abs(t) < 1e-6 ? 0 : t))
    .meta({ description: 'Temperature, °C' }),
});

/** One reading of a humidity sensor: kept as the wet bulb of its air. */
export const deviceHumiditySchema = z.object({
  channel,
  at,
  rh: z
    .number()
    .min(0)
    .max(1, 'a share from 0 to 1: send 83 % as 0.83')
    .meta({ description: 'Relative humidity, 0 to 1, for a wet bulb channel', example: 0.83 }),
  airC: z.number().min(-60).max(260).optional().meta({
    description:
      'Air beside it, °C; without it the house’s air of the same report or of the last five minutes',
  }),
});

const sentAt = z.iso.datetime({ offset: true }).meta({
  description: 'The device’s own clock when it sent this: a clock that is wrong is told at once',
});
/** A device clock may be off by this much, s: more, and no time that it gives can be believed. */
const CLOCK_SLACK_S = 180;

/** Seconds by which a device’s clock is off, or null when it is right or not told. */
export function clockOff(sent: string | undefined, nowS: number): number | null {
  const offS = sent === undefined ? 0 : Date.parse(sent) / 1000 - nowS;
  return Math.abs(offS) > CLOCK_SLACK_S ? offS : null;
}

/** The envelope is checked as a whole; each row is checked alone, so that good ones are kept. */
export const readingsRequestSchema = z.object({
  sentAt: sentAt.optional(),
  readings: z.array(z.unknown()).min(1).max(MAX_READINGS),
});
export const readingsDocSchema = z.object({
  sentAt: sentAt.optional(),
  readings: z
    .array(z.union([deviceReadingSchema, deviceHumiditySchema]))
    .min(1)
    .max(MAX_READINGS),
});

/** Topics of a broker: what a device reports, what became of a report, and what a house is to do (retained). */
export const mqttReadings = (deviceId: string) => `jolly/devices/${deviceId}/readings`;
export const mqttAnswer = (deviceId: string) => `jolly/devices/${deviceId}/answer`;
export const mqttProgram = (houseId: string) => `jolly/houses/${houseId}/program`;

/** The device of a topic of reports, or null. The broker lets a device write to its own topic only. */
export const deviceOfTopic = (topic: string): string | null =>
  /^jolly\/devices\/([0-9a-f-]{36})\/readings$/.exec(topic)?.[1] ?? null;

/** A report over a broker. One with an id is answered, once it is stored. */
export const mqttReadingsSchema = z.object({
  id: z.string().min(1).max(60).optional(),
  sentAt: sentAt.optional(),
  readings: z.array(z.unknown()).min(1).max(MAX_READINGS),
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
  late: z.number().int().meta({
    description: 'Rows of a time whose batch is signed: kept beside its record, not in it',
  }),
  bad: z.array(badRowSchema).meta({ description: 'Rows that were not kept, each with its reason' }),
});
export type ReadingsAnswer = z.infer<typeof readingsAnswerSchema>;

/** What became of a report over a broker. */
export const mqttAnswerSchema = z.object({ id: z.string(), ok: z.boolean() });

export const errorAnswerSchema = z.object({
  ok: z.literal(false),
  code: z.string(),
  message: z.string(),
});

/** A piece with a probe in it: what a stand-in needs to know to be warm like it. */
export const pieceSchema = z.object({
  batch: z.string(),
  diameterMm: z.number(),
  fatFraction: z.number().nullable(),
  waterFraction: z.number().nullable(),
  permeability: z.number(),
  thickest: z.boolean(),
  /** Where it hangs now: in the house's own air, or in something else. */
  inHouse: z.boolean(),
  medium: z.enum(['air', 'water', 'ice-water']),
  setC: z.number(),
  rh: z.number().nullable(),
  hWm2K: z.number(),
});
export type Piece = z.infer<typeof pieceSchema>;

const share = z.number().min(0).max(1);
/** A batch that ferments or hangs: what a stand-in needs to know to sour and to dry like it. */
const goodsSchema = z.object({
  batch: z.string(),
  ferment: z
    .object({
      culture: z.object({
        minC: z.number(),
        bestC: z.number(),
        maxC: z.number(),
        lagH: z.number(),
        fallPerH: z.number(),
        floorPh: z.number(),
        shape: z.number(),
      }),
      dextroseGPerKg: z.number(),
      lastPh: z.number().nullable(),
    })
    .nullable(),
  pieces: z.array(z.object({ name: z.string(), startG: z.number(), lossFraction: share })),
  of: z.object({
    diameterMm: z.number(),
    waterFraction: share,
    fatFraction: share,
    saltFraction: share,
    permeability: share,
  }),
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
  houseId: z.string(),
  rh: z.number().nullable().meta({ description: 'Set point of the relative humidity, 0 to 1' }),
  fan: z.number().nullable().meta({ description: 'Fan, 0 still to 1 full' }),
  damper: z.number().nullable().meta({ description: 'Damper, 0 shut to 1 open' }),
  smoke: z.boolean(),
  channels: z.array(
    z.object({
      key: z.string(),
      what: z.string(),
      lastC: z.number().nullable(),
      /** The piece that a core probe sits in, and what is around it; null for all others. */
      piece: pieceSchema.nullable(),
    }),
  ),
  goods: z.array(goodsSchema).meta({ description: 'What ferments or hangs in the house now' }),
});
export type HouseProgram = z.infer<typeof houseProgramSchema>;

export const importOptionsSchema = z.object({
  dateOrder: z.enum(['DMY', 'MDY', 'YMD']).optional(),
  unit: z.enum(['C', 'F']).optional(),
  clock: z.enum(['24h', 'AM', 'PM']).optional(),
  repeatedHour: z.enum(['first', 'second']).optional(),
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
