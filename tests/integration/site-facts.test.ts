import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import {
  HOUSE_KINDS,
  MACHINE_KINDS,
  READING_PLACES,
  type EntryBody,
  type ProgramStage,
} from '@/core';
import { loadEntries } from '@/features/logbook/chain';
import type { PostedBody } from '@/features/logbook/contract';
import { saveProgram } from '@/features/programs/service';
import { saveMachine } from '@/features/settings/service';
import { begun, posts } from '../support/begun';
import { freshDatabase, type TestDb } from '../support/database';
import { person } from '../support/people';
import { weigh } from '../support/weigh';

jest.mock('@/features/accounts/identify', () => ({}));

const ann = person('Ann', 'operator');
const post = posts(() => t, ann);
let t: TestDb;
let batch: { id: string; startS: number };
beforeAll(async () => {
  t = await freshDatabase();
});
beforeEach(async () => {
  batch = await begun(t, ann);
});
afterAll(() => t.drop());

/** What was recorded of what was posted. */
async function recorded(body: PostedBody, corrects: string | null = null): Promise<EntryBody> {
  const id = randomUUID();
  expect(await post(batch.id, batch.startS + 600, body, corrects, id)).toMatchObject({ ok: true });
  return (await loadEntries(t.db, batch.id)).find((e) => e.id === id)!.body;
}
const stage = (name: string, airC: number): ProgramStage => ({
  id: name.toLowerCase(),
  name,
  kind: 'cook',
  place: 'house',
  airC,
  smoke: false,
  plannedS: 3600,
});

test.each([0.001, 500])(
  'a scale has the division of its row, not the %s g that are posted',
  async (claimedG) => {
    const more = { more: true as const, scaleResolutionG: claimedG };
    expect(await recorded(weigh('jowl', 10, more))).toMatchObject({
      scaleResolutionG: 0.1,
    });
  },
);

test('a corrected weighing too, and one without a scale of the site counts as the usual gram', async () => {
  const first = (await loadEntries(t.db, batch.id)).find((e) => e.body.kind === 'weighed')!;
  const { amountG } = first.body as Extract<EntryBody, { kind: 'weighed' }>;
  const replacement = weigh('shoulder', amountG, { scaleId: 'none', scaleResolutionG: 0.001 });
  const said = { kind: 'corrected', reason: 'another scale', replacement } as PostedBody;
  expect(await recorded(said, first.id)).toMatchObject({
    replacement: { scaleId: 'none', scaleResolutionG: 1 },
  });
});

test('a bowl stands on the finest scale that carries it, whatever is posted', async () => {
  const bowl = { kind: 'bowl_weighed' as const, tareG: 2000, scaleResolutionG: 9000 };
  const on = async (grossG: number) => await recorded({ ...bowl, grossG });
  expect(await on(21_000)).toMatchObject({ scaleResolutionG: 0.1 });
  expect(await on(90_000)).toMatchObject({ scaleResolutionG: 1 });
});

test('a machine has the name of its row', async () => {
  const machine = { name: 'Cutter', kind: 'cutter' as const, capacityG: 9000, deadG: 0 };
  expect(await saveMachine(t.db, { ...machine, platesMm: [], hornsMm: [], note: '' })).toBe(true);
  const { id } = await t.db.selectFrom('machine').select('id').executeTakeFirstOrThrow();
  const said = { kind: 'loads_set' as const, loads: 1, machine: 'The other one' };
  expect(await recorded({ ...said, machineId: id })).toMatchObject({ machine: 'Cutter' });
  expect(await recorded(said)).not.toHaveProperty('machine');
});

test('a version of a program is run as it was written', async () => {
  const saved = await saveProgram(
    t.db,
    { name: 'Walnut', basedOn: 0, reason: 'first', stages: [stage('Cook', 82)] } as never,
    'Ann',
  );
  expect(saved).toMatchObject({ ok: true });
  const { id: versionId } = await t.db
    .selectFrom('programVersion')
    .select('id')
    .executeTakeFirstOrThrow();
  const run = await recorded({
    kind: 'run_started',
    houseId: 'house',
    program: { name: 'Cold', versionId, stages: [stage('Warm', 40)] },
  });
  expect(run).toMatchObject({
    program: { name: 'Walnut', versionId, stages: [stage('Cook', 82)] },
  });
});

test('what is hung in a house that is not there is refused', async () => {
  const hung: PostedBody = { kind: 'hung', houseId: 'nowhere', sticks: [] };
  expect(await post(batch.id, batch.startS + 700, hung)).toMatchObject({
    ok: false,
    code: 'no_such_house',
  });
});

test.each<[table: string, column: string, known: readonly string[]]>([
  ['house', 'kind', HOUSE_KINDS],
  ['channel', 'what', READING_PLACES],
  ['machine', 'kind', MACHINE_KINDS],
])('the database takes of %s.%s what the core knows', async (table, column, known) => {
  const { rows } = await sql<{ def: string }>`
    select pg_get_constraintdef(oid) as def from pg_constraint
    where conrelid = ${table}::regclass and contype = 'c'`.execute(t.owner);
  const def = rows.map((r) => r.def).find((d) => d.includes(`${column} = ANY`))!;
  const taken = [...def.matchAll(/'([a-z_]+)'/g)].map((m) => m[1]!);
  expect(taken.sort()).toEqual([...known].sort());
});
