import { randomUUID } from 'node:crypto';
import { METER_DAY_S } from '@/core';
import {
  addMeter,
  isChecked,
  listMeters,
  meterCheckSchema,
  recordMeterCheck,
  retireMeter,
} from '@/features/readings/meters';
import { meterChecked } from '@/features/batches/doubted-meter';
import { postEntry } from '@/features/batches/service';
import { judgeNow, loadOpenDossiers, type Dossier } from '@/features/logbook/service';
import { cultureOf, fermentAhead, listCultures, paceOf, seenOf } from '@/features/ripening/service';
import { saveCulture, saveIngredient } from '@/features/stores/service';
import type { Db } from '@/platform/db/client';
import { breakEntries, demoDatabase } from '../support/database';
import { person } from '../support/people';

jest.mock('@/features/accounts/identify', () => ({}));

const nowS = () => Date.now() / 1000;
const ines = person('Ines', 'operator');
let demo: Db;
let owner: Db;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ demo, owner, drop } = await demoDatabase());
});
afterAll(() => drop());

const openOf = async (name: string): Promise<Dossier> =>
  (await loadOpenDossiers(demo, nowS())).find((d) => d.head.recipe.name === name)!;
const again = async (d: Dossier) => (await judgeNow(demo, d.head.id, nowS()))!;
async function signedStick(): Promise<Dossier> {
  const { id } = await demo
    .selectFrom('batch')
    .innerJoin('recipeVersion as v', 'v.id', 'batch.recipeVersionId')
    .innerJoin('recipe as r', 'r.id', 'v.recipeId')
    .select('batch.id')
    .where('r.name', '=', 'Quarry dry stick')
    .where('batch.closedAt', 'is not', null)
    .executeTakeFirstOrThrow();
  return (await judgeNow(demo, id, nowS()))!;
}

describe('cultures', () => {
  test('a finished ferment is learned once, and the next forecast begins from it, but not its own', async () => {
    const done = await signedStick();
    const first = (await fermentAhead(demo, done))!;
    expect(first.culture).toMatchObject({ name: 'Slow culture' });
    const open = await openOf('Quarry dry stick');
    const known = (await cultureOf(demo, open.head.recipe, open.head.batchId))!;
    expect(known.seen).toBeGreaterThan(0);
    expect(known.course.learned).toBeDefined();
    expect(paceOf(known)).toBeGreaterThan(0.3);
    const [all, others] = [
      await cultureOf(demo, done.head.recipe),
      await cultureOf(demo, done.head.recipe, done.head.batchId),
    ];
    expect(all!.seen - others!.seen).toBe(1);
    await fermentAhead(demo, done);
    expect((await cultureOf(demo, done.head.recipe))!.seen).toBe(all!.seen);
    const seen = await seenOf(demo, known.ingredientId, known.usual);
    const own = seen.find((s) => s.batch === done.head.code)!;
    expect(own.toPh).toBe(first.targetPh);
    expect(own.tookS / 3600).toBeCloseTo(36, 0);
    expect(own.airC).toBeCloseTo(22, 0);
  });

  test('a label that says something else begins anew, and an ingredient that is saved keeps its card', async () => {
    const slow = (await listCultures(demo)).find((c) => c.name === 'Slow culture')!;
    const card = { ...slow.card!, minC: 6, bestC: 26, maxC: 37 };
    expect(await saveCulture(demo, { ingredientId: slow.ingredientId, card })).toEqual({
      ok: true,
    });
    const open = await openOf('Quarry dry stick');
    expect(await cultureOf(demo, open.head.recipe)).toMatchObject({ seen: 0, card });
    const facts = { additionKind: 'culture' as const };
    const same = { id: slow.ingredientId, name: slow.name, kind: 'addition' as const, facts };
    await saveIngredient(demo, same, () => Promise.resolve([]));
    expect((await listCultures(demo)).find((c) => c.name === slow.name)!.card).toEqual(card);
  });

  test('a culture in its water goes by the clock of its label as it was then', async () => {
    const slow = (await listCultures(demo)).find((c) => c.name === 'Slow culture')!;
    const open = await openOf('Quarry dry stick');
    const lineId = open.head.recipe.additions.find((a) => a.kind === 'culture')!.id;
    const timesOf = async (card: object) => {
      await saveCulture(demo, {
        ingredientId: slow.ingredientId,
        card: { ...slow.card!, ...card },
      });
      const body = { kind: 'culture_started' as const, lineId };
      const answer = await postEntry(demo, ines, open.head.id, {
        id: randomUUID(),
        happenedAt: new Date().toISOString(),
        body,
        corrects: null,
        confirmed: false,
        enteredIn: 'metric',
      });
      expect(answer).toMatchObject({ ok: true });
      const { readyS, staleS } = (await again(open)).case.state.cultures[lineId]!;
      return { readyS, staleS };
    };
    expect(await timesOf({ wakeS: 1800, useWithinS: 3600 })).toEqual({
      readyS: 1800,
      staleS: 3600,
    });
    expect(await timesOf({})).toEqual({ readyS: 900, staleS: 7200 });
  });

  test('what is no culture has no card', async () => {
    const card = { organisms: '', tempo: 'slow' as const, storage: 'cold' as const };
    const { id } = await demo
      .selectFrom('ingredient')
      .select('id')
      .where('name', '=', 'Dextrose')
      .executeTakeFirstOrThrow();
    expect(await saveCulture(demo, { ingredientId: id, card })).toEqual({
      ok: false,
      code: 'no_such_culture',
    });
  });
});

test('a weight that cannot be the same piece’s is asked back, with the other unit where that fits', async () => {
  const stick = await openOf('Quarry dry stick');
  const [piece, weights] = Object.entries(stick.case.state.pieceWeights)[0]!;
  const lastG = weights.at(-1)!.weightG;
  const weigh = (weightG: number, confirmed: boolean) =>
    postEntry(demo, ines, stick.head.id, {
      id: randomUUID(),
      happenedAt: new Date().toISOString(),
      body: { kind: 'piece_weighed', piece, weightG },
      corrects: null,
      confirmed,
      enteredIn: 'metric',
    });
  const odd = { ok: false, code: 'odd_weight', lastG };
  expect(await weigh(lastG * 1.2, false)).toEqual(odd);
  const ounces = (lastG * 0.97) / 28.349523125;
  expect(await weigh(ounces, false)).toEqual({ ...odd, otherG: expect.closeTo(lastG * 0.97, 3) });
  expect(await weigh(lastG * 0.97, false)).toMatchObject({ ok: true });
  expect(await weigh(lastG * 1.2, true)).toMatchObject({ ok: true });
});

describe('pH meters', () => {
  const meter = { id: randomUUID(), name: 'Glass 9' };
  const shows = (shownMiddle: number, shownSour: number, atS: number) =>
    recordMeterCheck(
      demo,
      { id: randomUUID(), meterId: meter.id, middle: '7.00', shownMiddle, shownSour, bufferC: 25 },
      'Ines',
      atS,
    );
  const log = async (d: Dossier, shownPh: number, atS: number, more: object = {}) =>
    postEntry(demo, ines, d.head.id, {
      id: randomUUID(),
      happenedAt: new Date(atS * 1000).toISOString(),
      body: { kind: 'ph_logged', ph: shownPh, meter: { ...meter, shownPh }, ...more },
      corrects: null,
      confirmed: true,
      enteredIn: 'metric',
    });

  test('a name is one meter’s, and one that is out of use is checked no more', async () => {
    expect(await addMeter(demo, meter, 'Maud')).toEqual({ ok: true });
    expect(await addMeter(demo, meter, 'Maud')).toEqual({ ok: true });
    const other = { id: randomUUID(), name: 'glass 9' };
    expect(await addMeter(demo, other, 'Maud')).toEqual({ ok: false, code: 'meter_taken' });
    const old = { id: randomUUID(), name: 'Old glass' };
    await addMeter(demo, old, 'Maud');
    expect(await retireMeter(demo, old.id, nowS())).toEqual({ ok: true });
    expect(await retireMeter(demo, old.id, nowS())).toEqual({ ok: false, code: 'no_such_meter' });
    expect((await listMeters(demo, nowS())).map((m) => m.name)).not.toContain('Old glass');
    const check = { middle: '7.00', shownMiddle: 7, shownSour: 4.01, bufferC: 25 } as const;
    const late = { id: randomUUID(), meterId: old.id, ...check };
    expect(await recordMeterCheck(demo, late, 'Ines', nowS())).toBeNull();
  });

  test('the server says what is behind a figure and when the meter was checked, whatever the device says', async () => {
    const ring = await openOf('Heather tang ring');
    const atS = Math.floor(nowS()) - 600;
    const lied = { meterCheckedS: atS - 60 };
    await log(ring, 5.4, atS, lied);
    expect((await again(ring)).case.state.ph.at(-1)).toMatchObject({
      ph: 5.4,
      meterCheckedS: null,
    });
    expect((await shows(7.1, 4.11, atS + 60))!.check.ok).toBe(true);
    await log(ring, 5.4, atS + 120, { shownBy: 'Bench 2' });
    /* What is read of an entry is what its schema knows. */
    const entry = (await again(ring)).entries.findLast((e) => e.body.kind === 'ph_logged')!;
    expect(entry.body).toMatchObject({ shownBy: 'Bench 2', meter: { shownPh: 5.4 } });
    const taken = (await again(ring)).case.state.ph.at(-1)!;
    expect(taken.ph).toBeCloseTo(5.3, 2);
    expect(taken).toMatchObject({ meterCheckedS: atS + 60, meter: { ...meter, shownPh: 5.4 } });
    const later = (await listMeters(demo, nowS())).find((m) => m.id === meter.id)!;
    expect(isChecked(later.last, later.last!.atS + METER_DAY_S)).toBe(true);
    expect(isChecked(later.last, later.last!.atS + METER_DAY_S + 1)).toBe(false);
  });

  test('found wrong: what it showed since its last good check is no evidence, in every batch', async () => {
    const ring = await openOf('Heather tang ring');
    const before = (await again(ring)).case.state.ph.filter((p) => p.meter?.id === meter.id);
    expect(before.some((p) => p.doubted)).toBe(false);
    const shown = { middle: '7.00', shownMiddle: 7, shownSour: 5, bufferC: 25 } as const;
    const input = { id: randomUUID(), meterId: meter.id, ...shown };
    const check = () => meterChecked(demo, input, 'Ines', nowS());
    /* Where the batches cannot be told, it is not recorded either. */
    const last = async () => (await listMeters(demo, nowS())).find((m) => m.id === meter.id)!.last;
    const mend = await breakEntries(owner, 'ph_doubted');
    await expect(check()).rejects.toThrow('broken on purpose');
    expect((await last())!.ok).toBe(true);
    await mend();
    const found = (await check())!;
    expect(found).toMatchObject({ ok: false, why: 'slope', doubted: [ring.head.code] });
    expect((await last())!.ok).toBe(false);
    const after = (await again(ring)).case.state.ph.filter((p) => p.meter?.id === meter.id);
    expect(after.map((p) => p.doubted)).toEqual([false, true]);
    /* Told of a second time it adds nothing; and what is logged late, of a time before it was found wrong, earns nothing. */
    const length = (await again(ring)).entries.length;
    expect(await check()).toEqual(found);
    expect((await again(ring)).entries).toHaveLength(length);
    await log(ring, 5.4, Math.floor(nowS()) - 120);
    const late = (await again(ring)).case.state.ph.filter((p) => p.meter?.id === meter.id);
    expect(late).toHaveLength(3);
    expect(late.every((p) => p.meterCheckedS === null || p.doubted)).toBe(true);
    const stick = await openOf('Quarry dry stick');
    await log(stick, 5, Math.floor(nowS()) - 120);
    const other = (await again(stick)).case.state.ph.find((p) => p.meter?.id === meter.id);
    expect(other).toMatchObject({ ph: 5, meterCheckedS: null });
    expect(
      (await again(ring)).case.state.ph.filter((p) => p.meter?.id !== meter.id && p.doubted),
    ).toEqual([]);
  });

  test('told late, a check is one of when it was made: it speaks for what is told after it, and a bad one up to the next good one', async () => {
    const ring = await openOf('Heather tang ring');
    const own = { id: randomUUID(), name: 'Glass 11' };
    await addMeter(demo, own, 'Maud');
    const now = Math.floor(nowS());
    const told = (agoS: number, shownSour: number) =>
      meterChecked(
        demo,
        {
          id: randomUUID(),
          meterId: own.id,
          middle: '7.00',
          shownMiddle: 7,
          shownSour,
          bufferC: 25,
          checkedAt: new Date((now - agoS) * 1000).toISOString(),
        },
        'Ines',
        now,
      );
    const read = (agoS: number) => log(ring, 5.2, now - agoS, { meter: { ...own, shownPh: 5.2 } });
    const kept = async () =>
      (await again(ring)).case.state.ph
        .filter((p) => p.meter?.id === own.id)
        .map((p) => [now - p.tS, p.meterCheckedS !== null, p.doubted]);
    await read(3_000);
    expect((await told(3_600, 4.01))!.ok).toBe(true);
    expect(await kept()).toEqual([[3_000, false, false]]);
    await read(2_400);
    expect(await kept()).toEqual([
      [3_000, false, false],
      [2_400, true, false],
    ]);
    await told(600, 4.01);
    await read(300);
    expect((await told(1_800, 5))!.ok).toBe(false);
    expect(await kept()).toEqual([
      [3_000, false, true],
      [2_400, true, true],
      [300, true, false],
    ]);
    const bad = (agoS: number) =>
      meterCheckSchema.safeParse({
        ...{ id: randomUUID(), meterId: own.id, middle: '7.00', shownMiddle: 7, shownSour: 4 },
        bufferC: 20,
        checkedAt: new Date(Date.now() - agoS * 1000).toISOString(),
      }).success;
    expect([bad(60), bad(-600), bad(13 * 3600)]).toEqual([true, false, false]);
  });

  test('a signed batch that did not rest on it stays signed', async () => {
    const stick = await signedStick();
    expect(stick.case.state.ph.every((p) => p.meter === null)).toBe(true);
    const other = { id: randomUUID(), name: 'Glass 10' };
    await addMeter(demo, other, 'Maud');
    const shown = { middle: '7.00', shownMiddle: 7, shownSour: 5, bufferC: 25 } as const;
    const input = { id: randomUUID(), meterId: other.id, ...shown };
    expect(await meterChecked(demo, input, 'Ines', nowS())).toMatchObject({
      ok: false,
      doubted: [],
    });
    expect(
      await meterChecked(demo, { ...input, meterId: randomUUID() }, 'Ines', nowS()),
    ).toBeNull();
    expect((await signedStick()).case.state.signature?.stands).toBe(true);
  });
});
