import { z } from 'zod';
import {
  errorAnswerSchema,
  houseProgramSchema,
  readingsAnswerSchema,
  readingsDocSchema,
} from './contract';
import { shownSchema } from './instruments';

const healthSchema = z.object({ ok: z.literal(true), warning: z.string().optional() });
const takenSchema = z.object({ ok: z.literal(true) });

/** What each route takes and gives, as it may look; a test reads every one by its schema. */
export const EXAMPLES = {
  readings: {
    sentAt: '2026-11-23T14:20:05Z',
    readings: [
      { channel: 'core-1', at: '2026-11-23T14:20:00Z', tempC: 61.4 },
      { channel: 'wet', at: '2026-11-23T14:20:00Z', rh: 0.83, airC: 66.2 },
    ],
  },
  stored: { ok: true, new: 2, known: 0, late: 0, bad: [] },
  shown: { sentAt: '2026-11-23T14:20:05Z', value: 43.2, unit: 'g', steady: true },
  taken: { ok: true },
  refused: {
    ok: false,
    code: 'bad_request',
    message: 'Send { "readings": [ … ] } with 1 to 10000 rows.',
  },
  program: {
    ok: true,
    house: 'Big house',
    houseId: 'big',
    batch: '261123-1',
    stage: 'Smoke',
    medium: 'air',
    setC: 65,
    rh: 0.45,
    fan: 0.6,
    damper: 0.3,
    smoke: true,
    diameterMm: 36,
    channels: [{ key: 'air', what: 'air', lastC: 64.1, piece: null }],
    goods: [],
  },
  health: { ok: true },
  calendar: 'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Jolly Kettle//EN\r\nEND:VCALENDAR\r\n',
} as const;

const json = (schema: z.ZodType, description: string, example: unknown) => ({
  description,
  content: {
    'application/json': { schema: z.toJSONSchema(schema, { target: 'draft-2020-12' }), example },
  },
});
const refusal = (code: string, description: string) =>
  json(errorAnswerSchema, description, { ...EXAMPLES.refused, code, message: `${description}.` });
const refusals = {
  401: refusal('no_token', 'No token, or an unknown one'),
  403: refusal('token_revoked', 'The token was revoked'),
};
const file = (type: string, description: string, schema: object, example: unknown) => ({
  description,
  content: { [type]: { schema, example } },
});
/** Whoever knows the address may ask. */
const OPEN: { security: Record<string, string[]>[] } = { security: [] };

/** A document that is there for everybody. */
const document = (operationId: string, summary: string, example: object) => ({
  ...OPEN,
  operationId,
  tags: ['open'],
  summary,
  responses: {
    200: file('application/json', summary, { type: 'object' }, example),
    400: refusal('body_not_expected', 'A request of this kind has no body'),
  },
});

const DEVICES = {
  '/api/v1/readings': {
    post: {
      operationId: 'reportReadings',
      tags: ['devices'],
      summary: 'Report up to 10,000 readings',
      description:
        'Safe to repeat: a reading that is stored already is counted as known. Bad rows are named, good ones kept.',
      requestBody: { required: true, ...json(readingsDocSchema, 'Readings', EXAMPLES.readings) },
      responses: {
        200: json(readingsAnswerSchema, 'What was stored', EXAMPLES.stored),
        400: refusal('bad_request', 'Not a list of readings'),
        409: refusal('clock_wrong', 'The clock of the device is wrong; nothing was kept'),
        503: refusal('server_clock', 'Nothing can be kept now; keep it and send it again'),
        ...refusals,
      },
    },
  },
  '/api/v1/shown': {
    post: {
      operationId: 'showDisplay',
      tags: ['devices'],
      summary: 'What a scale or a pH meter shows now',
      description:
        'With the instrument’s own token, every second or two while something is in or on it. The open form offers it; a person takes it.',
      requestBody: { required: true, ...json(shownSchema, 'Its display', EXAMPLES.shown) },
      responses: {
        200: json(takenSchema, 'Shown', EXAMPLES.taken),
        400: refusal('bad_value', 'No such value or unit'),
        409: refusal('clock_wrong', 'The clock of the instrument is wrong'),
        ...refusals,
      },
    },
  },
  '/api/v1/house': {
    get: {
      operationId: 'houseProgram',
      tags: ['devices'],
      summary: 'The running program of the device’s house',
      responses: { 200: json(houseProgramSchema, 'The program', EXAMPLES.program), ...refusals },
    },
  },
};

const FOR_ALL = {
  '/api/health': {
    get: {
      ...OPEN,
      operationId: 'health',
      tags: ['open'],
      summary: 'Is the application up, and can it write',
      responses: {
        200: json(healthSchema, 'It is; a warning where a clock is in doubt', EXAMPLES.health),
        400: refusal('body_not_expected', 'A request of this kind has no body'),
        503: refusal('no_database', 'The database does not answer, or its disk is full'),
      },
    },
  },
  '/api/v1/plan/calendar/{token}': {
    get: {
      ...OPEN,
      operationId: 'planCalendar',
      tags: ['open'],
      summary: 'The plan as a calendar, for whoever has its link',
      parameters: [
        {
          name: 'token',
          in: 'path',
          required: true,
          description: 'Of a link that was made under Plan, Lists',
          schema: { type: 'string', pattern: '^jc_[A-Za-z0-9_-]{43}$' },
        },
      ],
      responses: {
        200: file('text/calendar', 'iCalendar', { type: 'string' }, EXAMPLES.calendar),
        404: file(
          'application/json',
          'There is no such link any more',
          { type: 'object' },
          { ok: false, code: 'no_such_link' },
        ),
      },
    },
  },
  '/api/v1/recipe.schema.json': {
    get: document('recipeSchema', 'JSON Schema of a recipe file', { type: 'object' }),
  },
  '/api/v1/record.schema.json': {
    get: document('recordSchema', 'JSON Schema of the record of a batch', { type: 'object' }),
  },
  '/api/v1/openapi.json': { get: document('openApi', 'This document', { openapi: '3.1.0' }) },
};

/** The interface for devices and for whoever needs no account, as an OpenAPI 3.1 document; made from the schemas that check the requests. */
export const openApiDocument = () => ({
  openapi: '3.1.0',
  info: {
    title: 'Jolly Kettle, interface for devices',
    version: '1',
    description: 'How loggers and controllers report readings and see the running program.',
    license: { name: 'MIT', identifier: 'MIT' },
  },
  servers: [{ url: '/', description: 'Where this document was read' }],
  tags: [
    { name: 'devices', description: 'With a token from Settings, Equipment' },
    { name: 'open', description: 'Without one' },
  ],
  components: { securitySchemes: { device: { type: 'http', scheme: 'bearer' } } },
  security: [{ device: [] }],
  paths: { ...DEVICES, ...FOR_ALL },
});
