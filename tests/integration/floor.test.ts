import { randomUUID } from 'node:crypto';
import { CASINGS } from '@/core';
import {
  cleanedLately,
  cleaningTasks,
  recordCleaned,
  removeTask,
  saveTask,
} from '@/features/cleaning/service';
import { loadDossier, loadOpenDossiers } from '@/features/logbook/service';
import { loadMapOf } from '@/features/houses/load-map';
import { memberOf } from '@/features/houses/load';
import { houseWatch } from '@/features/houses/house-watch';
import { pagesToKeep } from '@/features/offline/service';
import { verifyLogbook } from '@/features/records/verify';
import { addAirSensor, listScales } from '@/features/settings/service';
import {
  moveCasings,
  receiveCasings,
  removeCasingKind,
  saveCasingKind,
} from '@/features/stores/casings';
import { casingLots, ownCasings } from '@/features/stores/service';
import { stuffingOf } from '@/features/stuffing/service';
import { begun, iso, MIN, nowS, posts } from '../support/begun';
import { person } from '../support/people';
import { freshDatabase, type TestDb } from '../support/database';

jest.mock('@/features/accounts/identify', () => ({}));

const ann = person('ann', 'operator');

let t: TestDb;
beforeAll(async () => {
  t = await freshDatabase();
  const layout = {
    levels: 2,
    rows: 4,
    rowMm: 120,
    hotDepth: 'back',
    hotLevel: 'low',
    thick: 'hot',
    stickTareG: 500,
  };
  await t.db
    .updateTable('house')
    .set({ layout: JSON.stringify(layout), stickMm: 900, dropMm: 600, capacityG: 80_000 })
    .execute();
});
afterAll(() => t.drop());

const houseId = async () =>
  (await t.db.selectFrom('house').select('id').executeTakeFirstOrThrow()).id;

const begin = () => begun(t, ann);
const post = posts(() => t, ann);
const lot = (of: string, count = 10) => ({
  id: randomUUID(),
  of: of as 'hog',
  code: 'L-1',
  supplier: 'Weir',
  form: 'strand' as const,
  count,
  eachM: 10,
  diameterMm: 36,
  useBy: null,
});
const leftOf = async (id: string) => (await casingLots(t.db)).find((l) => l.id === id)!.leftM;

test('a lot of casings goes down by what was stuffed, up by what was salted again, and back when it is corrected', async () => {
  const mine = lot('hog');
  expect(await receiveCasings(t.db, mine, 'Ann')).toEqual({ ok: true });
  expect(await receiveCasings(t.db, mine, 'Ann')).toEqual({ ok: true });
  const { id, startS } = await begin();
  const stuffing = {
    kind: 'stuffing_weighed',
    batterG: 20_000,
    stuffedG: 19_500,
    stayedG: 300,
  } as const;
  const entryId = randomUUID();
  const used = { ...stuffing, lotId: mine.id, usedM: 34, backM: 4 };
  expect(await post(id, startS + 60, used, null, entryId)).toMatchObject({ ok: true });
  expect(await post(id, startS + 60, used, null, entryId)).toMatchObject({ ok: true, known: true });
  expect(await leftOf(mine.id)).toBe(70);
  const corrected = {
    kind: 'corrected',
    reason: 'counted again',
    replacement: { ...stuffing, lotId: mine.id, usedM: 25 },
  } as const;
  expect(await post(id, startS + 90, corrected, entryId)).toMatchObject({ ok: true });
  expect(await leftOf(mine.id)).toBe(75);
  expect(
    await post(
      id,
      startS + 95,
      { kind: 'corrected', reason: 'another batch', replacement: null },
      entryId,
    ),
  ).toMatchObject({ ok: true });
  expect(await leftOf(mine.id)).toBe(100);
  expect(await post(id, startS + 99, { ...used, lotId: randomUUID() })).toMatchObject({
    ok: false,
    code: 'no_such_lot',
  });
});

test('a casing of the site: one name each, its lots keep it when it goes out of use', async () => {
  const own = { id: randomUUID(), name: 'Runner', facts: { ...CASINGS.sheep, toMm: 30 } };
  expect(await saveCasingKind(t.db, own, 'Ann')).toEqual({ ok: true });
  expect(
    await saveCasingKind(t.db, { ...own, id: randomUUID(), name: 'runner' }, 'Ann'),
  ).toMatchObject({
    code: 'casing_taken',
  });
  const mine = lot(own.id, 3);
  expect(await receiveCasings(t.db, mine, 'Ann')).toEqual({ ok: true });
  expect(await removeCasingKind(t.db, own.id)).toEqual({ ok: true });
  expect(await removeCasingKind(t.db, own.id)).toMatchObject({ code: 'no_such_casing' });
  expect(await ownCasings(t.db)).toEqual([]);
  expect((await casingLots(t.db)).find((l) => l.id === mine.id)).toMatchObject({
    name: 'Runner',
    leftM: 30,
    facts: { toMm: 30 },
  });
  expect(await receiveCasings(t.db, lot(own.id), 'Ann')).toMatchObject({ code: 'no_such_casing' });
});

test('opened, salted again and counted, each once', async () => {
  const mine = lot('sheep', 5);
  await receiveCasings(t.db, mine, 'Ann');
  const count = {
    id: randomUUID(),
    lotId: mine.id,
    what: 'counted',
    countedM: 42,
    reason: 'torn',
  } as const;
  for (const _ of [1, 2]) expect(await moveCasings(t.db, count, 'Ann')).toEqual({ ok: true });
  for (const what of ['opened', 'resalted'] as const)
    await moveCasings(t.db, { id: randomUUID(), lotId: mine.id, what, reason: '' }, 'Ann');
  expect((await casingLots(t.db)).find((l) => l.id === mine.id)).toMatchObject({
    leftM: 42,
    openedAt: expect.any(Date),
    resaltedAt: expect.any(Date),
  });
  expect(
    await moveCasings(
      t.db,
      { id: randomUUID(), lotId: randomUUID(), what: 'opened', reason: '' },
      'Ann',
    ),
  ).toMatchObject({ code: 'no_such_lot' });
});

test('the stuffing sheet: soak, links, what is due, and what two figures say against each other', async () => {
  const { id, startS } = await begin();
  await post(id, startS + 60, { kind: 'casing_soaked', casing: 'Hog', metres: 40 });
  await post(id, startS + 120, {
    kind: 'links_checked',
    links: [
      { lengthMm: 150, weightG: 160 },
      { lengthMm: 150, weightG: 161 },
    ],
    targetG: 170,
  });
  const d = (await loadDossier(t.db, id, nowS()))!;
  const sheet = (await stuffingOf(t.db, d, await listScales(t.db), [], nowS()))!;
  expect(sheet.lastCheck).toMatchObject({ status: 'light' });
  expect(sheet.stuffed).toBe(false);
  const wrong = { kind: 'stuffing_weighed', batterG: 1000, stuffedG: 1100, stayedG: 0 } as const;
  const { postedBodySchema, postedEntrySchema } = await import('@/features/logbook/contract');
  expect(postedBodySchema.safeParse(wrong).success).toBe(true);
  const entry = { id: randomUUID(), happenedAt: iso(startS + 130), body: wrong };
  expect(postedEntrySchema.safeParse(entry).success).toBe(false);
});

test('the map of a house: every batch its own sticks, no spot twice, and a wet touch after a dry one', async () => {
  const { id, startS } = await begin();
  const at = await houseId();
  await post(id, startS + 100 * MIN, { kind: 'step_done', step: 'stuff', weightG: 20_000 });
  const hung = (sticks: { stick: number; level: number; row: number; pieces: number }[]) =>
    post(id, startS + 101 * MIN, { kind: 'hung', houseId: at, sticks });
  expect(
    await hung([
      { stick: 1, level: 1, row: 1, pieces: 5 },
      { stick: 2, level: 1, row: 1, pieces: 5 },
    ]),
  ).toMatchObject({ ok: false, code: 'spot_twice' });
  expect(await hung([{ stick: 1, level: 1, row: 4, pieces: 5 }])).toMatchObject({ ok: true });
  await post(id, startS + 102 * MIN, { kind: 'stick_weighed', stick: 1, grossG: 4000, tareG: 500 });
  await post(id, startS + 103 * MIN, { kind: 'run_started', houseId: at });
  const map = (await loadMapOf(t.db, await loadOpenDossiers(t.db, nowS()), at))!;
  expect(map.sticks.filter((s) => s.productId === id)).toEqual([
    { stick: 1, level: 1, row: 4, pieces: 5, productId: id },
  ]);
  expect(map.products.find((p) => p.id === id)).toMatchObject({
    inside: true,
    weights: [{ stick: 1, netG: 3500 }],
  });
  await post(id, startS + 110 * MIN, { kind: 'surface_touched', where: 'front', feel: 'tacky' });
  const { state } = (await loadDossier(t.db, id, nowS()))!.case;
  expect(state.steps.surface_dry?.atS).toBeCloseTo(startS + 110 * MIN, 0);
  await post(id, startS + 111 * MIN, { kind: 'surface_touched', where: 'back', feel: 'wet' });
  const wet = (await loadDossier(t.db, id, nowS()))!.case.state;
  expect(wet.steps.surface_dry).toBeUndefined();
  await post(id, startS + 112 * MIN, { kind: 'surface_touched', where: 'back', feel: 'tacky' });

  /* What is seen at the vent is counted. */
  await post(id, startS + 120 * MIN, { kind: 'stage_started', stageIndex: 1 });
  await post(id, startS + 145 * MIN, { kind: 'smoke_seen', seen: 'thin' });
  const member = await memberOf(t.db, (await loadDossier(t.db, id, nowS()))!, nowS());
  const watch = houseWatch([member], nowS())!;
  expect(watch.touch).toMatchObject({ feel: 'tacky', where: 'back' });
  expect(await pagesToKeep(t.db)).toEqual(
    expect.arrayContaining(['/', `/batches/${id}/house`, `/house/${at}`, `/house/${at}/map`]),
  );
});

test('more air sensors, each on a channel of its own; none for a house that is not there', async () => {
  const at = await houseId();
  expect(await addAirSensor(t.db, { houseId: at, name: 'Air, back' })).toBe(true);
  expect(await addAirSensor(t.db, { houseId: at, name: 'Air, low' })).toBe(true);
  expect(await addAirSensor(t.db, { houseId: 'nowhere', name: 'x' })).toBe(false);
  const keys = await t.db
    .selectFrom('channel')
    .select('key')
    .where('houseId', '=', at)
    .where('what', '=', 'air')
    .execute();
  expect(new Set(keys.map((k) => k.key)).size).toBe(keys.length);
});

test('cleaning: done once by name, kept when the task goes off the list', async () => {
  const task = { id: randomUUID(), name: 'Horns', minutes: 15, everyDays: 1, needsCold: false };
  await saveTask(t.db, task);
  await saveTask(t.db, { ...task, minutes: 20 });
  const done = { id: randomUUID(), taskId: task.id, note: 'soaked' };
  for (const _ of [1, 2]) expect(await recordCleaned(t.db, done, ann)).toBe(true);
  expect(await recordCleaned(t.db, { ...done, id: randomUUID(), taskId: randomUUID() }, ann)).toBe(
    false,
  );
  expect(await cleaningTasks(t.db)).toEqual([
    expect.objectContaining({ name: 'Horns', minutes: 20, lastS: expect.any(Number) }),
  ]);
  await removeTask(t.db, task.id);
  expect(await cleaningTasks(t.db)).toEqual([]);
  expect(await cleanedLately(t.db)).toEqual([
    expect.objectContaining({ name: 'Horns', note: 'soaked', by: ann.name }),
  ]);
  await expect(
    t.db.updateTable('cleaningDone').set({ byName: 'nobody' }).execute(),
  ).rejects.toThrow();
});

test('all of it is whole', async () => expect((await verifyLogbook(t.db)).problems).toEqual([]));
