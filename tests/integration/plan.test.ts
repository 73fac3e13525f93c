import { randomUUID } from 'node:crypto';
import { planBatches, withPins, type PlacedStep } from '@/core';
import { insertPerson } from '@/features/accounts/repository';
import { closureSchema, copySchema, savePlanSchema, wishSchema } from '@/features/plan/contract';
import { insertClosure, openCopies } from '@/features/plan/repository';
import {
  agendaOf,
  calendarOf,
  finishCopy,
  linkOf,
  listLinks,
  listsOf,
  loadBoard,
  namesOf,
  saveCopy,
  savePlan,
  undoPlan,
} from '@/features/plan/service';
import { makeLink, revokeLink } from '@/features/plan/links';
import { openWishes, removeWish, saveWish, startWish } from '@/features/plan/wishes';
import { wayNow } from '@/features/houses/way';
import { loadDossier } from '@/features/logbook/service';
import { rosterChangeSchema } from '@/features/settings/contract';
import { attendedSpans, changeRoster, loadSite } from '@/features/settings/service';
import { freshDatabase, type TestDb } from '../support/database';
import { begun, iso, nowS, MIN } from '../support/begun';
import { person } from '../support/people';

jest.mock('@/features/accounts/identify', () => ({}));

const DAY = 24 * 60 * MIN;
const ann = person('ann', 'operator');
let t: TestDb;
let recipeId: string;
beforeEach(async () => {
  t = await freshDatabase();
  recipeId = (
    await t.db
      .selectFrom('recipeVersion')
      .select('recipeId')
      .where('id', '=', t.versionId)
      .executeTakeFirstOrThrow()
  ).recipeId;
});
afterEach(() => t.drop());

const wish = (more: Record<string, unknown> = {}) =>
  wishSchema.parse({
    id: randomUUID(),
    recipeId,
    meatG: 12_000,
    readyBy: iso(nowS() + 6 * DAY),
    fromAt: null,
    forWhom: 'the inn',
    priority: 1,
    ...more,
  });
const board = async (copyId: string | null = null) =>
  (await loadBoard(t.db, nowS(), copyId))!.board;
const planned = async (copyId: string | null = null): Promise<PlacedStep[]> => {
  const b = await board(copyId);
  const fixed = withPins(b.task, b.placed, b.plan?.pins ?? []);
  return planBatches({ ...b.task, fixed, limits: { timeMs: 1e9, rounds: 5 } }).steps;
};
const keep = (steps: PlacedStep[], basedOn: number, copyId: string | null = null) =>
  savePlan(t.db, { copyId, basedOn, why: 'planned', steps, pins: [] }, 'Ann');

describe('wishes', () => {
  test('kept, changed, removed; what cannot be is refused with a code', async () => {
    const one = wish();
    expect(await saveWish(t.db, one, 'Ann')).toEqual({ ok: true });
    expect(await saveWish(t.db, { ...one, meatG: 15_000, priority: 3 }, 'Ann')).toEqual({
      ok: true,
    });
    expect(await openWishes(t.db)).toEqual([
      expect.objectContaining({ id: one.id, meatG: 15_000, priority: 3, forWhom: 'the inn' }),
    ]);
    const refused = async (more: Record<string, unknown>) => {
      const answer = await saveWish(t.db, wish(more), 'Ann');
      return answer.ok ? 'ok' : answer.code;
    };
    expect(await refused({ readyBy: iso(nowS() - 1) })).toBe('ready_by_past');
    expect(await refused({ readyBy: iso(nowS() + 300 * DAY) })).toBe('ready_by_too_far');
    expect(await refused({ fromAt: iso(nowS() + 7 * DAY) })).toBe('bad_input');
    expect(await refused({ recipeId: randomUUID() })).toBe('not_approved');
    expect(await removeWish(t.db, one.id)).toBe(true);
    expect(await removeWish(t.db, one.id)).toBe(false);
    expect(await openWishes(t.db)).toEqual([]);
  });

  test('two hundred and no more', async () => {
    const readyBy = new Date((nowS() + 9 * DAY) * 1000);
    await t.db
      .insertInto('wish')
      .values(
        Array.from({ length: 200 }, () => ({
          ...wish(),
          fromAt: null,
          readyBy,
          madeByName: 'Ann',
          removedAt: null,
        })),
      )
      .execute();
    expect(await saveWish(t.db, wish(), 'Ann')).toEqual({ ok: false, code: 'too_many_wishes' });
    /* And the task of all of them is made and planned. */
    const b = await board();
    expect(b.batches).toHaveLength(200);
    const plan = planBatches({ ...b.task, limits: { timeMs: 1e9, rounds: 0 } });
    expect(plan.steps.length + plan.unplaced.length).toBeGreaterThan(200);
  });

  test('one that is started is a batch of the same number, and keeps its place in the plan', async () => {
    const one = wish();
    await saveWish(t.db, one, 'Ann');
    const steps = await planned();
    await keep(steps, 0);
    expect(await startWish(t.db, ann, one.id)).toMatchObject({ ok: true });
    expect(await openWishes(t.db)).toEqual([]);
    const b = await board();
    expect(b.batches).toEqual([expect.objectContaining({ id: one.id, forWhom: 'the inn' })]);
    expect(b.unplanned).toEqual([]);
    const d = (await loadDossier(t.db, one.id, nowS()))!;
    const site = await loadSite(t.db);
    const own = (list: PlacedStep[]) => wayNow(t.db, d, site, nowS(), list);
    expect((await own(b.placed)).overtaken).toBe(false);
    expect((await own([])).overtaken).toBe(false);
    const back = b.placed.map((s) =>
      s.step === 'pack' ? { ...s, startS: s.startS - 9 * DAY, endS: s.endS - 9 * DAY } : s,
    );
    expect((await own(back)).overtaken).toBe(true);
    const pack = (list: readonly PlacedStep[]) => list.find((s) => s.step === 'pack')!.startS;
    expect(pack(b.placed)).toBe(pack(steps));
    expect(await saveWish(t.db, one, 'Ann')).toEqual({ ok: false, code: 'wish_begun' });
    expect(await startWish(t.db, ann, one.id)).toEqual({ ok: false, code: 'no_such_wish' });
  });
});

describe('plans', () => {
  test('the second of two that plan at once is told; what is taken back comes back, further each time', async () => {
    await saveWish(t.db, wish(), 'Ann');
    const steps = await planned();
    const later = steps.map((s) => ({ ...s, startS: s.startS + 300, endS: s.endS + 300 }));
    expect(await keep(steps, 0)).toEqual({ ok: true, number: 1 });
    expect(await keep(later, 0)).toEqual({ ok: false, code: 'plan_changed' });
    const both = await Promise.all([keep(later, 1), keep(later, 1)]);
    expect(both.map((b) => b.ok).sort()).toEqual([false, true]);
    const undo = (basedOn: number) => undoPlan(t.db, { copyId: null, basedOn }, 'Ann');
    expect(await undo(2)).toEqual({ ok: true, number: 3 });
    expect((await board()).plan!.steps).toEqual(steps);
    expect(await undo(3)).toEqual({ ok: true, number: 4 });
    expect((await board()).plan!.steps).toEqual([]);
    expect(await undo(4)).toEqual({ ok: false, code: 'nothing_to_undo' });
    expect(await undo(1)).toEqual({ ok: false, code: 'plan_changed' });
  });

  test('a copy is apart from the plan; taken, what was otherwise in it is so', async () => {
    const [one, two] = [wish(), wish({ forWhom: 'the ferry' })];
    await saveWish(t.db, one, 'Ann');
    await saveWish(t.db, two, 'Ann');
    await keep(await planned(), 0);
    const id = randomUUID();
    const levers = [{ kind: 'without' as const, batch: two.id }];
    await saveCopy(t.db, copySchema.parse({ id, name: 'Without', levers }), 'Ann');
    expect((await board(id)).task.batches).toHaveLength(1);
    expect((await board()).task.batches).toHaveLength(2);
    expect(await keep(await planned(id), 1, id)).toEqual({ ok: true, number: 2 });
    const take = (basedOn: number) => finishCopy(t.db, { id, as: 'taken', basedOn }, 'Ann');
    expect(await take(0)).toEqual({ ok: false, code: 'plan_changed' });
    expect(await take(1)).toEqual({ ok: true, number: 2 });
    expect((await openWishes(t.db)).map((w) => w.id)).toEqual([one.id]);
    expect(await openCopies(t.db)).toEqual([]);
    expect(await take(2)).toEqual({ ok: false, code: 'no_such_copy' });
    expect(await keep([], 2, id)).toEqual({ ok: false, code: 'no_such_copy' });
    expect(await loadBoard(t.db, nowS(), id)).toBeNull();
  });

  test('halves of a batch become two wishes with their places', async () => {
    const one = wish();
    await saveWish(t.db, one, 'Ann');
    const id = randomUUID();
    await saveCopy(t.db, { id, name: 'Halves', levers: [{ kind: 'split', batch: one.id }] }, 'Ann');
    await keep(await planned(id), 1, id);
    expect(await finishCopy(t.db, { id, as: 'taken', basedOn: 0 }, 'Ann')).toMatchObject({
      ok: true,
    });
    const halves = await openWishes(t.db);
    expect(halves.map((w) => w.meatG)).toEqual([6000, 6000]);
    expect((await board()).unplanned).toEqual([]);
  });

  test('what was tried with somebody who stays, and with one place, is so: hours in the roster, and a pin', async () => {
    const one = wish();
    await saveWish(t.db, one, 'Ann');
    const steps = await planned();
    await keep(steps, 0);
    const run = steps.find((s) => s.uses.some((u) => u.resource === 'house'))!;
    const id = randomUUID();
    const startS = Math.ceil((nowS() + DAY) / 3600) * 3600;
    const levers = [
      { kind: 'overtime' as const, personId: 'anybody', startS, endS: startS + 7200 },
      { kind: 'place' as const, batch: one.id, placeId: 'house' },
      { kind: 'weight' as const, batch: one.id, weight: 10 },
      { kind: 'closed' as const, placeId: 'house', startS: startS - 7200, endS: startS - 3600 },
    ];
    await saveCopy(t.db, { id, name: 'Longer', levers }, 'Ann');
    expect(await finishCopy(t.db, { id, as: 'taken', basedOn: 1 }, 'Ann')).toMatchObject({
      ok: true,
    });
    const b = await board();
    expect(b.plan!.pins).toEqual([{ batch: one.id, step: run.step }]);
    expect((await loadSite(t.db)).roster!.extra).toEqual([
      expect.objectContaining({ personId: 'anybody' }),
    ]);
    expect((await openWishes(t.db))[0]!.priority).toBe(3);
    expect(b.closures).toHaveLength(1);
  });

  test('what may begin at once does so once it is taken; what cannot be made so is said', async () => {
    const one = wish();
    await saveWish(t.db, one, 'Ann');
    const releaseS = async () => (await board()).task.batches[0]!.releaseS!;
    expect((await releaseS()) - nowS()).toBeGreaterThan(DAY);
    const id = randomUUID();
    await saveCopy(t.db, { id, name: 'Now', levers: [{ kind: 'early', batch: one.id }] }, 'Ann');
    expect(await finishCopy(t.db, { id, as: 'taken', basedOn: 0 }, 'Ann')).toMatchObject({
      ok: true,
    });
    expect((await releaseS()) - nowS()).toBeLessThan(1);
    await startWish(t.db, ann, one.id);
    const second = randomUUID();
    const levers = [{ kind: 'ready_by' as const, batch: one.id, readyByS: nowS() + 9 * DAY }];
    await saveCopy(t.db, { id: second, name: 'Later', levers }, 'Ann');
    expect(await finishCopy(t.db, { id: second, as: 'taken', basedOn: 1 }, 'Ann')).toEqual({
      ok: false,
      code: 'taken_in_part',
    });
    expect((await board()).plan!.number).toBe(2);
  });

  test('what is shut is gone round, and a batch that runs there keeps its place', async () => {
    await saveWish(t.db, wish(), 'Ann');
    const load = (await planned()).find((s) => s.uses.some((u) => u.resource === 'house'))!;
    const id = randomUUID();
    const shut = {
      placeId: 'house',
      fromS: load.startS,
      toS: load.startS + 7 * DAY,
      why: 'new roof',
    };
    await insertClosure(t.db, { id, ...shut, by: 'Ann' });
    const again = (await planned()).find(
      (s) => s.uses.some((u) => u.resource === 'house') && !s.batch.startsWith('closed'),
    );
    const clear = !again || again.startS >= shut.toS || again.endS <= shut.fromS;
    expect(clear).toBe(true);
  });

  test('a batch that is being weighed stands in the plan, and what it needs in the lists', async () => {
    const { id } = await begun(t, ann);
    await t.db
      .insertInto('ingredient')
      .values({ id: randomUUID(), name: 'Caraway, cracked', kind: 'addition', facts: '{}' })
      .execute();
    await saveWish(t.db, wish(), 'Ann');
    const { board: b, known } = (await loadBoard(t.db, nowS(), null))!;
    expect(b.steps.some((s) => s.batch === id && s.settled)).toBe(true);
    const lists = await listsOf(t.db, b, known, () => 'day');
    expect(lists.short).toEqual([
      expect.objectContaining({ name: 'Caraway, cracked', has: 0, batches: expect.any(Array) }),
    ]);
    expect(lists.thaw).toHaveLength(2);
  });
});

test('a calendar of the site or of one person, until its link is taken back', async () => {
  const ada = (await insertPerson(
    t.db,
    { name: 'Ada', email: 'a@plan.example', role: 'operator' },
    'x',
  ))!;
  const shift = { personId: ada, days: [1, 2, 3, 4, 5, 6, 7], from: '06:00', to: '18:00' };
  expect(await changeRoster(t.db, { change: 'add_shift', shift })).toEqual({ ok: true });
  await saveWish(t.db, wish({ forWhom: 'a\r\nDTSTART:1' }), 'Ann');
  await keep(await planned(), 0);
  const b = await board();
  const agenda = agendaOf(b, b.placed);
  expect(agenda.filter((a) => a.code === 'work').every((a) => a.people.join() === ada)).toBe(true);
  const text = (who: string | null) => calendarOf(agenda, namesOf(b), 'Site', who);
  expect(text(null).match(/BEGIN:VEVENT/g)).toHaveLength(agenda.length);
  expect(text(null)).not.toMatch(/^DTSTART:1\r?$/m);
  expect(text('nobody')).not.toContain('VEVENT');
  const token = await makeLink(t.db, ada, 'Ann');
  expect(await linkOf(t.db, token)).toEqual({ personId: ada });
  expect(await linkOf(t.db, `${token.slice(0, -1)}x`)).toBeUndefined();
  const stored = await t.db.selectFrom('calendarLink').selectAll().execute();
  expect(JSON.stringify(stored)).not.toContain(token);
  await revokeLink(t.db, (await listLinks(t.db))[0]!.id);
  expect(await linkOf(t.db, token)).toBeUndefined();
});

describe('the roster', () => {
  test('without shifts the working hours count, and a day off all the same', async () => {
    const site = await loadSite(t.db);
    const [from, to] = [nowS(), nowS() + 14 * DAY];
    const before = attendedSpans(site, from, to);
    const off = { from: '2020-01-01', to: '2099-01-01', personId: null, why: 'Closed for good' };
    await changeRoster(t.db, { change: 'add_off', off });
    expect(attendedSpans(await loadSite(t.db), from, to)).toEqual([]);
    await changeRoster(t.db, { change: 'remove_off', off });
    expect((await loadSite(t.db)).roster).toBeNull();
    expect(attendedSpans(await loadSite(t.db), from, to)).toEqual(before);
  });
  test('nobody who does not work here', async () => {
    const shift = { personId: 'ghost', days: [1], from: '06:00', to: '14:00' };
    const answer = await changeRoster(t.db, { change: 'add_shift', shift });
    expect(answer).toEqual({ ok: false, code: 'no_such_person' });
  });
});

test.each([
  ['no recipe', wishSchema, () => ({ ...wish(), recipeId: 'x' })],
  ['no weight', wishSchema, () => ({ ...wish(), meatG: 0 })],
  ['a priority of our own', wishSchema, () => ({ ...wish(), priority: 7 })],
  ['a time that is none', wishSchema, () => ({ ...wish(), readyBy: 'soon' })],
  [
    'a plan that ends before it begins',
    savePlanSchema,
    () => ({
      copyId: null,
      basedOn: 0,
      why: 'planned',
      pins: [],
      steps: [{ batch: 'a', step: 'b', startS: 10, endS: 5, uses: [] }],
    }),
  ],
  [
    'no reason that we know',
    savePlanSchema,
    () => ({ copyId: null, basedOn: 0, why: 'fun', pins: [], steps: [] }),
  ],
  [
    'a place shut backwards',
    closureSchema,
    () => ({
      id: randomUUID(),
      placeId: 'h',
      fromAt: iso(2000),
      toAt: iso(1000),
      why: 'roof',
    }),
  ],
  [
    'an unknown lever',
    copySchema,
    () => ({ id: randomUUID(), name: 'x', levers: [{ kind: 'magic' }] }),
  ],
  [
    'a shift without days',
    rosterChangeSchema,
    () => ({
      change: 'add_shift',
      shift: { personId: 'a', days: [], from: '06:00', to: '07:00' },
    }),
  ],
  [
    'a shift without a length',
    rosterChangeSchema,
    () => ({
      change: 'add_shift',
      shift: { personId: 'a', days: [1], from: '06:00', to: '06:00' },
    }),
  ],
])('%s is refused at the door', (_, schema, input) =>
  expect(schema.safeParse(input()).success).toBe(false),
);
