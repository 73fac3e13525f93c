import { z } from 'zod';
import {
  errorAnswerSchema,
  houseProgramSchema,
  readingsAnswerSchema,
  readingsDocSchema,
} from './contract';
import { shownSchema } from './instruments';

const json = (schema: z.ZodType, description: string) => ({
  description,
  content: { 'application/json': { schema: z.toJSONSchema(schema, { target: 'draft-2020-12' }) } },
});
const refusals = {
  401: json(errorAnswerSchema, 'No token, or an unknown one'),
  403: json(errorAnswerSchema, 'The token was revoked'),
};

/** The device interface as an OpenAPI 3.1 document, made from the schemas that check the requests. */
export const openApiDocument = () => ({
  openapi: '3.1.0',
  info: {
    title: 'Jolly Kettle device interface',
    version: '1',
    description: 'How loggers and controllers report readings and see the running program.',
  },
  components: { securitySchemes: { device: { type: 'http', scheme: 'bearer' } } },
  security: [{ device: [] }],
  paths: {
    '/api/v1/readings': {
      post: {
        summary: 'Report up to 10,000 readings',
        description:
          'Safe to repeat: a reading that is stored already is counted as known. Bad rows are named, good ones kept.',
        requestBody: { required: true, ...json(readingsDocSchema, 'Readings') },
        responses: {
          200: json(readingsAnswerSchema, 'What was stored'),
          400: json(errorAnswerSchema, 'Not a list of readings'),
          409: json(
            errorAnswerSchema,
            'The clock of the device is wrong (`sentAt`); nothing was kept',
          ),
          ...refusals,
        },
      },
    },
    '/api/v1/shown': {
      post: {
        summary: 'What a scale or a pH meter shows now',
        description:
          'With the instrument’s own token, every second or two while something is in or on it. The open form offers it; a person takes it.',
        requestBody: { required: true, ...json(shownSchema, 'Its display') },
        responses: {
          200: json(z.object({ ok: z.literal(true) }), 'Shown'),
          400: json(errorAnswerSchema, 'No such value or unit'),
          409: json(errorAnswerSchema, 'The clock of the instrument is wrong'),
          ...refusals,
        },
      },
    },
    '/api/v1/house': {
      get: {
        summary: 'The running program of the device’s house',
        responses: { 200: json(houseProgramSchema, 'The program'), ...refusals },
      },
    },
  },
});
