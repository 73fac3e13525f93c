import { STARTER } from './recipes/starter';
import { ENTRY_KINDS, type EntryBody } from '@/core';
import {
  STORED_KINDS,
  postedBodySchema,
  postedEntrySchema,
  type StoredBody,
} from '@/features/logbook/contract';
import { startBatchSchema } from '@/features/batches/contract';
import { recipeSchema } from './recipes/contract';
import { sortRows } from './readings/ingest';
import type { z } from 'zod';
import {
  errorAnswerSchema,
  houseProgramSchema,
  readingsAnswerSchema,
  readingsDocSchema,
} from './readings/contract';
import { shownSchema } from './readings/instruments';
import { EXAMPLES, openApiDocument } from './readings/openapi';
import { may, type Permission } from './accounts/policy';
import { ROLES } from '@/platform/roles';
import { ruleBodySchema, siteSchema } from './settings/contract';

const ID = '3c2bcb5a-98e6-4ba5-9c2f-6d1f6f0d9a01';
const posted = (body: unknown, extra: object = {}) =>
  postedEntrySchema.safeParse({ id: ID, happenedAt: '2026-11-23T10:00:00Z', body, ...extra })
    .success;
const weighed = {
  kind: 'weighed',
  lineId: 'lean',
  amountG: 1,
  scaleId: 's',
  scaleResolutionG: 1,
  targetG: 1,
};

test.each<[string, unknown, boolean]>([
  ['a weighing', weighed, true],
  ['zero grams', { ...weighed, amountG: 0 }, false],
  ['negative grams', { ...weighed, amountG: -1 }, false],
  ['1e9 kg', { ...weighed, amountG: 1e12 }, false],
  ['NaN', { ...weighed, amountG: Number.NaN }, false],
  ['a text', { ...weighed, amountG: '12,5' }, false],
  [
    'a method that only the server may say',
    { kind: 'cure_checked', weighedId: ID, readingG: 1 },
    true,
  ],
  [
    'a signature by the back door',
    { kind: 'signed', verdictSha256: 'a', evidenceSha256: 'b', statement: 'c' },
    false,
  ],
  ['a start by the back door', { kind: 'batch_started' }, false],
  [
    'a release on authority without its decision',
    { kind: 'disposed', disposition: 'release_on_authority', reason: 'because', checks: [] },
    false,
  ],
  ['an unknown kind', { kind: 'dance' }, false],
])('posting %s', (_, body, ok) => expect(posted(body)).toBe(ok));

test.each([
  ['a bad id', { id: 'x' }],
  ['a time without offset', { happenedAt: '2026-11-23T10:00' }],
])('posting with %s', (_, extra) => expect(posted(weighed, extra)).toBe(false));

test.each([
  [1000, true],
  [0, false],
  [-5, false],
  [1e12, false],
  [Number.NaN, false],
])('starting with %d g: %s', (meatG, ok) => {
  const input = {
    id: ID,
    recipeVersionId: ID,
    meatG,
    readyBy: '2026-11-25T10:00:00Z',
    startedAt: '2026-11-23T10:00:00Z',
  };
  expect(startBatchSchema.safeParse(input).success).toBe(ok);
});

describe('recipes', () => {
  const good = { ...STARTER, name: 'Test' };
  test.each<[string, object, boolean]>([
    ['the starter', {}, true],
    [
      'shares that do not sum to 100 %',
      { meat: [{ id: 'a', name: 'A', species: 'pork', share: 0.9 }] },
      false,
    ],
    ['no meat', { meat: [] }, false],
    ['smoke without cure', { cure: null }, false],
    ['a cure of no strength', { cure: { ...good.cure!, nitriteFraction: 0 } }, false],
    ['negative salt', { totalSaltFraction: -0.1 }, false],
    ['no way', { route: [] }, false],
    ['a hold upside down', { route: good.route.map((s) => ({ ...s, maxS: 1 })) }, false],
  ])('%s', (_, change, ok) =>
    expect(recipeSchema.safeParse({ ...good, ...change }).success).toBe(ok),
  );
});

test('rows of a device: good ones kept, bad ones named, repeats counted', () => {
  const row = (change: object = {}) => ({
    channel: 'core-1',
    at: '2026-11-23T10:00:00Z',
    tempC: 4,
    ...change,
  });
  const nowS = Date.parse('2026-11-23T12:00:00Z') / 1000;
  const rows = [
    row(),
    row(),
    row({ tempC: 5 }),
    row({ channel: 'x' }),
    row({ at: 'noon' }),
    row({ tempC: 900 }),
    row({ at: '2026-11-24T10:00:00Z' }),
    'junk',
    row({ at: '2026-11-23T10:01:00+01:00' }),
  ];
  const { good, bad, repeated } = sortRows(rows, new Map([['core-1', 7]]), {
    fromS: nowS - 86_400,
    toS: nowS,
  });
  expect(good.map((g) => g.index)).toEqual([0, 8]);
  expect(repeated).toBe(1);
  expect(bad.map((b) => [b.index, b.field])).toEqual([
    [2, 'tempC'],
    [3, 'channel'],
    [4, 'at'],
    [5, 'tempC'],
    [6, 'at'],
    [7, 'row'],
  ]);
});

test('the OpenAPI document is made from the schemas', () => {
  const doc = openApiDocument();
  expect(doc.openapi).toBe('3.1.0');
  const schema = doc.paths['/api/v1/readings'].post.requestBody.content['application/json']
    .schema as unknown as { properties: { readings: { maxItems: number } } };
  expect(schema.properties.readings.maxItems).toBe(10_000);
});

test.each<[keyof typeof EXAMPLES, z.ZodType]>([
  ['readings', readingsDocSchema],
  ['stored', readingsAnswerSchema],
  ['shown', shownSchema],
  ['refused', errorAnswerSchema],
  ['program', houseProgramSchema],
])('the document’s example of %s is one', (name, schema) =>
  expect(schema.safeParse(EXAMPLES[name]).error).toBeUndefined(),
);

test('every operation of the document has a name of its own, a tag and answers with examples', () => {
  type Answer = { content: Record<string, { example: unknown }> };
  type Operation = { operationId: string; tags: string[]; responses: Record<string, Answer> };
  const operations = Object.values(openApiDocument().paths).flatMap((p): Operation[] =>
    Object.values(p),
  );
  const ids = operations.map((o) => o.operationId);
  expect(new Set(ids).size).toBe(ids.length);
  for (const { tags, responses } of operations) {
    expect(tags.length).toBe(1);
    for (const { content } of Object.values(responses))
      for (const { example } of Object.values(content)) expect(example).toBeDefined();
  }
});

test.each<[Permission, string[]]>([
  ['read', ['operator', 'formulator', 'release_lead', 'reader']],
  ['work_batches', ['operator', 'formulator', 'release_lead']],
  ['write_recipes', ['formulator', 'release_lead']],
  ['decide', ['release_lead']],
  ['sign', ['release_lead']],
  ['run_site', ['release_lead']],
])('%s is for %j', (permission, roles) =>
  expect(ROLES.filter((r) => may(r, permission))).toEqual(roles),
);

test('settings refuse what cannot be', () => {
  const site = {
    name: 'S',
    timeZone: 'Europe/Berlin',
    locale: 'en-GB',
    unitSystem: 'metric',
    workingHours: {
      1: { from: '08:00', to: '17:00' },
      2: null,
      3: null,
      4: null,
      5: null,
      6: null,
      7: null,
    },
  };
  expect(siteSchema.safeParse(site).success).toBe(true);
  expect(siteSchema.safeParse({ ...site, timeZone: 'Mars/Base' }).success).toBe(false);
  expect(
    siteSchema.safeParse({
      ...site,
      workingHours: { ...site.workingHours, 1: { from: '17:00', to: '08:00' } },
    }).success,
  ).toBe(false);
  expect(
    ruleBodySchema.safeParse({ kind: 'dose', basis: 'meat_block', minPpm: 200, maxPpm: 100 })
      .success,
  ).toBe(false);
  expect(
    ruleBodySchema.safeParse({ kind: 'cooling', steps: [{ fromC: 10, toC: 20, maxS: 5 }] }).success,
  ).toBe(false);
});

const stage = { id: 'x', name: 'Bath', kind: 'bath', airC: 76, smoke: false, plannedS: 1800 };
test.each([
  ['a pause with its reason', { kind: 'run_paused', reason: 'power cut' }, true],
  ['a pause without', { kind: 'run_paused', reason: '' }, false],
  [
    'longer by a quarter',
    { kind: 'stage_extended', stageIndex: 1, byS: 900, reason: 'cold day' },
    true,
  ],
  [
    'longer by a week',
    { kind: 'stage_extended', stageIndex: 1, byS: 7e5, reason: 'cold day' },
    false,
  ],
  ['shorter', { kind: 'stage_extended', stageIndex: 1, byS: -60, reason: 'hot day' }, false],
  ['out to a bath without a reason', { kind: 'moved', stage, reason: '' }, false],
  ['out to a bath, and why', { kind: 'moved', stage, reason: 'thin ones are done' }, true],
  ['into boiling water', { kind: 'moved', stage: { ...stage, airC: 120 }, reason: 'hurry' }, false],
  ['wood', { kind: 'event_logged', event: 'wood_added' }, true],
  ['an event that is none', { kind: 'event_logged', event: 'party' }, false],
  ['an alarm seen', { kind: 'alarm_acknowledged', key: 'fire_out:1' }, true],
  [
    'that somebody was told, by whoever says so',
    { kind: 'alarm_told', key: 'x:1', personId: 'p', person: 'P', reached: true },
    false,
  ],
  [
    'an alarm that a person raises',
    { kind: 'alarm_raised', alarm: 'x', key: 'x:1', figures: {} },
    false,
  ],
  [
    'a load without stages',
    { kind: 'run_started', houseId: 'h', program: { name: 'P', versionId: null, stages: [] } },
    false,
  ],
] as [string, object, boolean][])('posted at the house: %s', (_, body, ok) =>
  expect(postedBodySchema.safeParse(body).success).toBe(ok),
);

/** true where both are the same type, kind by kind and field by field. */
type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : false) : false;
type Fields<T extends { kind: string }> = { [K in T['kind']]: keyof Extract<T, { kind: K }> };

test('the schema of entries and the core’s type of them are one: kinds, fields and values', () => {
  /* These two lines do not compile where they differ. */
  const sameValues: Same<StoredBody, EntryBody> = true;
  const sameFields: Same<Fields<StoredBody>, Fields<EntryBody>> = true;
  expect([sameValues, sameFields]).toEqual([true, true]);
  expect([...STORED_KINDS].sort()).toEqual([...ENTRY_KINDS].sort());
});
