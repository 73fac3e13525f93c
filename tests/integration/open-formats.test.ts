import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { convertIcsCalendar } from 'ts-ics';
import { loadDossier } from '@/features/logbook/case';
import { agendaOf, calendarOf, loadBoard, namesOf } from '@/features/plan/service';
import { recipeJsonSchema, recipeToJson } from '@/features/recipes/exchange';
import { recordJsonSchema } from '@/features/records/contract';
import { recordJson } from '@/features/records/export';
import { calendarFile } from '@/platform/calendar';
import { approvedVersions } from '@/features/recipes/repository';
import type { Db } from '@/platform/db/client';
import { demoDatabase } from '../support/database';

jest.mock('@/features/accounts/identify', () => ({}));

let demo: Db;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ demo, drop } = await demoDatabase());
});
afterAll(() => drop());

const nowS = () => Date.now() / 1000;
const asSent = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

/** What a validator of others says of a file by its published schema. */
function complaints(schema: object, file: unknown): string[] {
  const ajv = new Ajv2020({ allErrors: true, strict: true });
  addFormats(ajv);
  const check = ajv.compile(schema);
  check(file);
  return (check.errors ?? []).map((e) => `${e.instancePath} ${e.message}`);
}

test('the record of every batch of the demo is as its schema says', async () => {
  const batches = await demo.selectFrom('batch').select('id').execute();
  expect(batches.length).toBeGreaterThan(10);
  const schema = asSent(recordJsonSchema()) as object;
  for (const { id } of batches) {
    const dossier = (await loadDossier(demo, id, nowS()))!;
    expect(complaints(schema, asSent(recordJson(dossier, 'Alder Hollow')))).toEqual([]);
  }
});

test('a record that lacks its verdict, or a time that is none, is told', async () => {
  const { id } = await demo.selectFrom('batch').select('id').limit(1).executeTakeFirstOrThrow();
  const record = recordJson((await loadDossier(demo, id, nowS()))!, 'Alder Hollow');
  const { verdict: _, ...without } = record;
  const batch = { ...record.batch, startedAt: 'yesterday' };
  const told = complaints(asSent(recordJsonSchema()) as object, asSent({ ...without, batch }));
  expect(told.join('\n')).toMatch(/required property 'verdict'/);
  expect(told.join('\n')).toMatch(/startedAt must match/);
});

test('every recipe of the demo is as its schema says', async () => {
  const versions = await approvedVersions(demo);
  expect(versions.length).toBeGreaterThan(5);
  for (const { content } of versions)
    expect(
      complaints(asSent(recipeJsonSchema()) as object, JSON.parse(recipeToJson(content))),
    ).toEqual([]);
});

test('a calendar says to others what the plan says', async () => {
  const { board } = (await loadBoard(demo, nowS(), null))!;
  const agenda = agendaOf(board, board.placed);
  expect(agenda.length).toBeGreaterThan(5);
  const read = convertIcsCalendar(
    undefined,
    calendarOf(agenda, namesOf(board), 'Alder Hollow', null),
  );
  const times = (read.events ?? []).map((e) => [+e.start.date / 1000, +e.end!.date / 1000]);
  expect(times).toEqual(agenda.map((a) => [Math.floor(a.startS), Math.floor(a.endS)]));
});

test('whatever a name holds, one event stays one event with its own text', () => {
  const summary = 'Smoke; the "fine", long one\r\nDTSTART:1\\n '.repeat(4);
  const [startS, endS] = [1_795_000_000, 1_795_003_600];
  const event = { id: 'a b:c', startS, endS, summary, description: summary };
  const read = convertIcsCalendar(undefined, calendarFile('Site\nX', 'Plan', [event]));
  expect(read.events).toHaveLength(1);
  const [only] = read.events!;
  expect(only!.start.date).toEqual(new Date(startS * 1000));
  expect(only!.summary).toBe(summary.replace(/[\r\n]+/g, ' '));
});
