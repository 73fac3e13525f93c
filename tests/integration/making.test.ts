import { randomUUID } from 'node:crypto';
import { makingPlan, routeOf } from '@/core';
import type { Person } from '@/features/accounts/identify';
import { postEntries, postEntry, startBatch } from '@/features/batches/service';
import { loadDossier, seeDossier } from '@/features/logbook/service';
import type { PostedBody } from '@/features/logbook/contract';
import {
  learnedByMachine,
  learnedFrom,
  lookBack,
  passKey,
  runSheetOf,
} from '@/features/making/service';
import { recordCsv, recordJson } from '@/features/records/export';
import { verifyLogbook } from '@/features/records/verify';
import { listMachines, listScales, removeMachine, saveMachine } from '@/features/settings/service';
import { person } from '../support/people';
import { freshDatabase, type TestDb } from '../support/database';
import { weigh } from '../support/weigh';

jest.mock('@/features/accounts/identify', () => ({}));

const ann = person('ann', 'operator');
const bob = person('bob', 'formulator');
const MIN = 60;
const nowS = () => Date.now() / 1000;
const iso = (s: number) => new Date(s * 1000).toISOString();

let t: TestDb;
beforeAll(async () => {
  t = await freshDatabase();
});
afterAll(() => t.drop());

async function begin(): Promise<{ id: string; startS: number }> {
  const [id, startS] = [randomUUID(), nowS() - 90 * MIN];
  const input = {
    id,
    recipeVersionId: t.versionId,
    meatG: 20_000,
    readyBy: iso(nowS() + 60 * 60 * MIN),
    startedAt: iso(startS),
  };
  expect(await startBatch(t.db, ann, input)).toMatchObject({ ok: true });
  await post(ann, id, startS + 1, weigh('shoulder', 17_000));
  await post(ann, id, startS + 2, weigh('jowl', 3_000));
  return { id, startS };
}
const entry = (atS: number, body: PostedBody, extra: object = {}) => ({
  id: randomUUID(),
  happenedAt: iso(atS),
  body,
  corrects: null,
  confirmed: false,
  enteredIn: 'metric' as const,
  ...extra,
});
const post = (who: Person, id: string, atS: number, body: PostedBody, extra: object = {}) =>
  postEntry(t.db, who, id, entry(atS, body, extra));
const stepOf = async (id: string, kind: string) =>
  routeOf((await loadDossier(t.db, id, nowS()))!.head.recipe).find((s) => s.kind === kind)!.id;

test('two tablets at once: one tick is taken, the other is told; the same for what goes in', async () => {
  const { id, startS } = await begin();
  const stepId = await stepOf(id, 'grind');
  const twice = (body: PostedBody) =>
    Promise.all([ann, bob].map((who) => post(who, id, startS + 10 * MIN, body)));
  for (const [body, code] of [
    [{ kind: 'step_ticked', stepId, beforeC: 0, tempC: 3 }, 'already_ticked'],
    [{ kind: 'addition_ticked', lineId: 'salt' }, 'already_added'],
  ] as [PostedBody, string][]) {
    const answers = await twice(body);
    expect(answers.filter((a) => a.ok)).toHaveLength(1);
    expect(answers.find((a) => !a.ok)).toMatchObject({ code });
  }
});

test('a tick that is taken back can be made again', async () => {
  const { id, startS } = await begin();
  const stepId = await stepOf(id, 'grind');
  const first = entry(startS + 5 * MIN, { kind: 'step_ticked', stepId, tempC: 3 });
  expect(await postEntry(t.db, ann, id, first)).toMatchObject({ ok: true });
  const back = { kind: 'corrected', reason: 'wrong batch', replacement: null } as const;
  expect(await post(ann, id, startS + 6 * MIN, back, { corrects: first.id })).toMatchObject({
    ok: true,
  });
  expect(await post(ann, id, startS + 7 * MIN, { kind: 'step_ticked', stepId })).toMatchObject({
    ok: true,
  });
});

test('a pass in the other unit is asked back with what it would be; impossible is refused', async () => {
  const { id, startS } = await begin();
  const stepId = await stepOf(id, 'grind');
  const tick = (tempC: number, extra: object = {}) =>
    post(ann, id, startS + 5 * MIN, { kind: 'step_ticked', stepId, tempC }, extra);
  expect(await tick(38)).toMatchObject({
    ok: false,
    code: 'odd_temperature',
    otherC: expect.closeTo(3.3, 1),
  });
  expect(await tick(300)).toMatchObject({ ok: false, code: 'impossible_temperature' });
  expect(await tick(38, { confirmed: true })).toMatchObject({ ok: true });
});

test('machines: learned from, taken out of use while it is on the sheet, never made up', async () => {
  const machine = {
    name: 'Grinder',
    kind: 'grinder' as const,
    capacityG: null,
    deadG: 300,
    platesMm: [3, 8],
    hornsMm: [],
    note: '',
  };
  expect(await saveMachine(t.db, machine)).toBe(true);
  const [own] = await listMachines(t.db);
  expect(own).toMatchObject({ name: 'Grinder', platesMm: [3, 8], deadG: 300 });
  const { id, startS } = await begin();
  const stepId = await stepOf(id, 'grind');
  const tick = (machineId: string) =>
    post(ann, id, startS + 5 * MIN, {
      kind: 'step_ticked',
      stepId,
      beforeC: 0,
      tempC: 5,
      forS: 300,
      machineId,
      machine: 'Grinder',
    });
  expect(await tick('nobody')).toMatchObject({ ok: false, code: 'no_such_machine' });
  await removeMachine(t.db, own!.id);
  expect(await listMachines(t.db)).toEqual([]);
  expect(await saveMachine(t.db, { ...machine, id: own!.id })).toBe(false);
  /* What was on a tablet when it was taken out of use is still recorded. */
  expect(await tick(own!.id)).toMatchObject({ ok: true });
  const d = (await loadDossier(t.db, id, nowS()))!;
  const key = passKey(
    d.head.recipe,
    routeOf(d.head.recipe).find((s) => s.id === stepId)!,
    own!.id,
  );
  expect(learnedFrom(await lookBack(t.db), 'another').machines[key]).toMatchObject({
    passes: 1,
    timed: 1,
  });
  expect(learnedFrom(await lookBack(t.db), id).machines[key]).toBeUndefined();
  expect((await learnedByMachine(t.db))[own!.id]).toMatchObject({ passes: 1 });
});

test('no machine at all: the sheet has every step, with the usual forecast', async () => {
  const { id } = await begin();
  const d = await seeDossier(t.db, (await loadDossier(t.db, id, nowS()))!.head, nowS());
  const sheet = (await runSheetOf(t.db, d, await listScales(t.db)))!;
  expect(sheet.rows).toHaveLength(makingPlan(d.head.recipe, d.case.rules.making.body).length);
  expect(sheet.rows.find((r) => r.measured === 'pass')!.machines).toEqual([
    expect.objectContaining({ id: null }),
  ]);
});

test('loads: each its own cure and look; several of a load are taken together or not at all', async () => {
  const { id, startS } = await begin();
  expect(await post(ann, id, startS + 3, { kind: 'loads_set', loads: 2 })).toMatchObject({
    ok: true,
  });
  const cures = [randomUUID(), randomUUID()];
  const weighings = cures.map((cure, i) => ({
    batchId: id,
    entry: entry(startS + 4 + i, weigh('cure', 21.6, { load: i + 1 }), { id: cure }),
  }));
  const wrong = { batchId: id, entry: entry(startS + 9, weigh('cure', 21.6, { load: 3 })) };
  expect(await postEntries(t.db, ann, [...weighings, wrong])).toMatchObject({
    ok: false,
    code: 'unknown_load',
  });
  expect(await postEntries(t.db, ann, weighings)).toMatchObject({ ok: true });
  for (const weighedId of cures)
    expect(
      await post(bob, id, startS + 20, { kind: 'cure_checked', weighedId, readingG: 21.6 }),
    ).toMatchObject({ ok: true });
  const d = (await loadDossier(t.db, id, nowS()))!;
  expect(d.verdict.checks.find((k) => k.code === 'dose')).toMatchObject({ status: 'pass' });
  expect(await post(ann, id, startS + 30, { kind: 'loads_set', loads: 3 })).toMatchObject({
    ok: false,
    code: 'loads_late',
  });
  expect(recordCsv(d)).toContain('Made in 2 equal loads');
  expect(recordJson(d, 'Site').entries.filter((e) => e.body.kind === 'weighed')).toHaveLength(4);
});

test('a spoonful that broke puts the batch on hold', async () => {
  const { id, startS } = await begin();
  const broke = {
    kind: 'trial_cooked',
    beforeG: 25,
    afterG: 20,
    salt: 3,
    heat: 3,
    bind: 'broken',
  } as const;
  expect(await post(ann, id, startS + 60, broke)).toMatchObject({
    ok: true,
    holds: [expect.any(String)],
  });
  const { state } = (await loadDossier(t.db, id, nowS()))!.case;
  expect(state.holds).toEqual([expect.objectContaining({ check: 'making', open: true })]);
});

test('what is owed after the stuffing can still be answered, and then the sheet is done', async () => {
  const { id, startS } = await begin();
  const say = (s: number, body: PostedBody) => post(ann, id, startS + s, body);
  await say(10, { kind: 'bowl_weighed', grossG: 18_000, tareG: 2_000, scaleResolutionG: 10 });
  await say(60, { kind: 'step_done', step: 'stuff', tempC: 3, weightG: 16_000 });
  const sheet = async () => {
    const d = (await loadDossier(t.db, id, nowS()))!;
    return runSheetOf(t.db, d, await listScales(t.db));
  };
  const [due] = (await sheet())!.reminders.filter((r) => r.code === 'bowl_gap');
  expect(due).toMatchObject({ figures: { gapG: expect.any(Number) } });
  const answer = {
    kind: 'reminder_answered',
    key: due!.key,
    text: 'four kilos went elsewhere',
  } as const;
  expect(await say(90, answer)).toMatchObject({ ok: true });
  expect(await say(95, answer)).toMatchObject({ ok: false, code: 'already_answered' });
  expect(await sheet()).toBeNull();
});

test('all of it is whole', async () => expect((await verifyLogbook(t.db)).problems).toEqual([]));
