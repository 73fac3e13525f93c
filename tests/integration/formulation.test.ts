import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { Person } from '@/features/accounts/identify';
import { loadDossier } from '@/features/logbook/case';
import type { PostedBody } from '@/features/logbook/contract';
import { postEntry, startBatch } from '@/features/batches/service';
import { approvedVersions, decisionsOf, latestVersions } from '@/features/recipes/repository';
import { decideVersion, saveRecipe, recipesNaming } from '@/features/recipes/service';
import { lotChoices } from '@/features/stores/choices';
import { findLot, movesOf, openLots, searchLots } from '@/features/stores/repository';
import { adjustLot, receiveLot, removeIngredient, saveIngredient } from '@/features/stores/service';
import type { Recipe } from '@/core';
import { DEMO_RECIPES } from '../../scripts/demo/recipes';
import { person } from '../support/people';
import { approve, freshDatabase, type TestDb } from '../support/database';
import { weigh } from '../support/weigh';

jest.mock('@/features/accounts/identify', () => ({}));

const ann = person('ann', 'operator');
const lead = person('lead', 'release_lead');
const HOUR = 3600;
const nowS = () => Date.now() / 1000;
const iso = (s: number) => new Date(s * 1000).toISOString();
const day = (days: number) => iso(nowS() + days * 24 * HOUR).slice(0, 10);

let t: TestDb;
beforeAll(async () => {
  t = await freshDatabase();
});
afterAll(() => t.drop());

const recipe = (change: Partial<Recipe> = {}): Recipe => ({
  ...DEMO_RECIPES[0]!,
  name: `Recipe ${randomUUID().slice(0, 8)}`,
  ...change,
});
async function saved(content: Recipe, basedOn = 0, recipeId?: string) {
  const answer = await saveRecipe(t.db, { recipeId, basedOn, reason: 'test', content }, 'Tomas');
  if (!answer.ok) throw new Error(answer.code);
  return answer.data;
}
const start = (recipeVersionId: string) =>
  startBatch(t.db, ann, {
    id: randomUUID(),
    recipeVersionId,
    meatG: 20_000,
    readyBy: iso(nowS() + 72 * HOUR),
    startedAt: iso(nowS() - HOUR),
  });

describe('versions', () => {
  test('a draft starts no batch, an approved one does, a retired one no more', async () => {
    const { versionId } = await saved(recipe());
    expect(await start(versionId)).toMatchObject({ ok: false, code: 'not_approved' });
    await approve(t.db, versionId);
    expect(await start(versionId)).toMatchObject({ ok: true });
    const retired = { versionId, status: 'retired' as const, reason: 'no longer made' };
    expect(await decideVersion(t.db, retired, 'Tomas')).toEqual({ ok: true });
    expect(await start(versionId)).toMatchObject({ ok: false, code: 'not_approved' });
  });

  test('a newer draft leaves the approved version in use', async () => {
    const content = recipe();
    const first = await saved(content);
    await approve(t.db, first.versionId);
    await saved({ ...content, totalSaltFraction: 0.02 }, 1, first.recipeId);
    const of = (rows: { recipeId: string; number: number }[]) =>
      rows.find((v) => v.recipeId === first.recipeId)?.number;
    expect(of(await latestVersions(t.db))).toBe(2);
    expect(of(await approvedVersions(t.db))).toBe(1);
    expect(await decisionsOf(t.db, first.recipeId)).toMatchObject([
      { versionId: first.versionId, status: 'approved', decidedByName: 'Test' },
    ]);
  });

  test('what a rule blocks cannot be approved; the figures say why', async () => {
    const content = recipe();
    const { versionId } = await saved({ ...content, cure: { ...content.cure!, targetPpm: 200 } });
    const answer = await decideVersion(
      t.db,
      { versionId, status: 'approved', reason: 'please' },
      'Tomas',
    );
    expect(answer).toMatchObject({ ok: false, code: 'blocked', blockers: [{ code: 'dose' }] });
  });

  test('retiring a draft, deciding twice, an unknown version', async () => {
    const { versionId } = await saved(recipe());
    const decide = (id: string, status: 'approved' | 'retired') =>
      decideVersion(t.db, { versionId: id, status, reason: 'test' }, 'Tomas');
    expect(await decide(versionId, 'retired')).toMatchObject({ code: 'not_approved_yet' });
    await approve(t.db, versionId);
    expect(await decide(versionId, 'approved')).toMatchObject({ code: 'already_so' });
    expect(await decide(randomUUID(), 'approved')).toMatchObject({ code: 'no_such_recipe' });
  });

  test('the second of two editors is told what the first saved, and loses nothing', async () => {
    const content = recipe();
    const { recipeId } = await saved(content);
    const save = (salt: number, by: string) =>
      saveRecipe(
        t.db,
        { recipeId, basedOn: 1, reason: 'both', content: { ...content, totalSaltFraction: salt } },
        by,
      );
    const answers = await Promise.all([save(0.019, 'Ann'), save(0.02, 'Bo')]);
    expect(answers.filter((a) => a.ok)).toHaveLength(1);
    const refused = answers.find((a) => !a.ok)!;
    expect(refused).toMatchObject({ code: 'edited_meanwhile', newest: { number: 2 } });
  });

  test('decisions and versions cannot be changed in the database', async () => {
    for (const table of ['recipe_decision', 'recipe_version'])
      await expect(
        sql`update ${sql.table(table)} set reason = 'x'`.execute(t.owner),
      ).rejects.toThrow(/append-only/);
  });
});

describe('stores', () => {
  const ids: Record<string, string> = {};
  async function ingredient(name: string, kind: 'meat' | 'cure', facts = {}) {
    const id = randomUUID();
    expect(await saveIngredient(t.db, { id, name, kind, facts }, recipesNaming)).toEqual({
      ok: true,
    });
    ids[name] = id;
    return id;
  }
  async function lot(name: string, code: string, change: object = {}): Promise<string> {
    const id = randomUUID();
    const answer = await receiveLot(
      t.db,
      {
        id,
        ingredientId: ids[name]!,
        code,
        supplier: 'Farm',
        receivedAt: iso(nowS()),
        receivedTempC: 2,
        amountG: 30_000,
        costPerKg: 5,
        useBy: day(5),
        fatFraction: null,
        nitriteFraction: null,
        nitrateFraction: null,
        owner: null,
        ...change,
      },
      'Ann',
    );
    expect(answer).toEqual({ ok: true });
    return id;
  }
  let batchId: string;
  const post = (
    who: Person,
    body: PostedBody,
    corrects: string | null = null,
    id = randomUUID(),
    atS = nowS(),
  ) =>
    postEntry(t.db, who, batchId, {
      id,
      happenedAt: iso(atS),
      body,
      corrects,
      confirmed: true,
      enteredIn: 'metric',
    });

  beforeAll(async () => {
    await ingredient('Pork shoulder 80/20', 'meat', { species: 'pork', fatFraction: 0.2 });
    await ingredient('Pork jowl', 'meat');
    await ingredient('Cure #1', 'cure', { nitriteFraction: 0.0625 });
    const id = randomUUID();
    expect(
      await startBatch(t.db, ann, {
        id,
        recipeVersionId: t.versionId,
        meatG: 20_000,
        readyBy: iso(nowS() + 72 * HOUR),
        startedAt: iso(nowS() - HOUR),
      }),
    ).toMatchObject({ ok: true });
    batchId = id;
  });

  test('a weighing uses its lot up, a correction puts it back, and the lot knows its batches', async () => {
    const id = await lot('Pork shoulder 80/20', 'S1');
    const entry = randomUUID();
    const first = weigh('shoulder', 17_000, { lotId: id });
    expect(await post(ann, first, null, entry)).toMatchObject({ ok: true });
    expect((await findLot(t.db, id))!.leftG).toBeCloseTo(13_000, 6);
    const correct = (amountG: number): PostedBody => ({
      kind: 'corrected',
      reason: 'read it wrong',
      replacement: { ...first, amountG } as never,
    });
    expect(await post(ann, correct(16_000), entry)).toMatchObject({ ok: true });
    expect((await findLot(t.db, id))!.leftG).toBeCloseTo(14_000, 6);
    expect(await post(ann, correct(15_000), entry)).toMatchObject({ ok: true });
    expect((await findLot(t.db, id))!.leftG).toBeCloseTo(15_000, 6);
    const moves = await movesOf(t.db, id);
    expect(moves).toHaveLength(5);
    expect(new Set(moves.map((m) => m.batchId))).toEqual(new Set([batchId]));
    const dossier = await loadDossier(t.db, batchId, nowS());
    expect(dossier!.case.state.weighed.shoulder).toMatchObject({ lotId: id, amountG: 15_000 });
  });

  test('a move of a lot is dated by when it happened, not by when it was told', async () => {
    const id = await lot('Pork shoulder 80/20', 'S2');
    const early = Math.round(nowS()) - 1800;
    const entry = randomUUID();
    const said = weigh('shoulder', 2_000, { lotId: id, more: true });
    await post(ann, said, null, entry, early);
    await post(
      ann,
      {
        kind: 'corrected',
        reason: 'read it wrong',
        replacement: { ...said, amountG: 1_500 } as never,
      },
      entry,
    );
    await post(
      ann,
      {
        kind: 'corrected',
        reason: 'earlier still',
        happenedS: early - 600,
        replacement: { ...said, amountG: 1_500 } as never,
      },
      entry,
    );
    const at = (await movesOf(t.db, id)).map((m) => [
      m.changeG,
      Math.round(m.movedAt.getTime() / 1000),
    ]);
    expect(at[0]).toEqual([-1_500, early - 600]);
    expect(at.slice(1)).toEqual(
      expect.arrayContaining([-2_000, 2_000, -1_500, 1_500].map((g) => [g, early])),
    );
    expect(at).toHaveLength(5);
  });

  test('a lot past its use-by waits for a release lead’s recorded decision', async () => {
    const id = await lot('Pork jowl', 'J-old', {
      useBy: day(-2),
      receivedAt: iso(nowS() - 96 * HOUR),
    });
    const body = weigh('jowl', 3000, { lotId: id });
    expect(await post(ann, body)).toMatchObject({
      ok: false,
      code: 'lot_needs_decision',
      problems: ['past_use_by'],
    });
    const allow: PostedBody = {
      kind: 'lot_allowed',
      lotId: id,
      lineId: 'jowl',
      problems: ['past_use_by'],
      reason: 'smelled, looked at, frozen on arrival',
    };
    expect(await post(ann, allow)).toMatchObject({ ok: false, code: 'not_allowed' });
    expect(await post(lead, allow)).toMatchObject({ ok: true });
    expect(await post(ann, body)).toMatchObject({ ok: true });
  });

  test('a cure of another strength needs a decision; its label must be the lot’s', async () => {
    const weak = await lot('Cure #1', 'weak', { nitriteFraction: 0.005, nitrateFraction: 0 });
    const good = await lot('Cure #1', 'good', { nitriteFraction: 0.0625, nitrateFraction: 0 });
    const { recipe: r, state } = (await loadDossier(t.db, batchId, nowS()))!.case;
    const choices = (await lotChoices(t.db, r, state, day(0))).cure!;
    expect(choices.map((c) => [c.nitriteFraction, c.problems])).toEqual(
      expect.arrayContaining([
        [0.005, ['wrong_strength']],
        [0.0625, []],
      ]),
    );
    const cure = (lotId: string | undefined, nitriteFraction: number | undefined) =>
      weigh('cure', 38.9, { lotId, nitriteFraction });
    expect(await post(ann, cure(weak, 0.005))).toMatchObject({ problems: ['wrong_strength'] });
    expect(await post(ann, cure(good, 0.005))).toMatchObject({ code: 'lot_label_differs' });
    expect(await post(ann, cure(undefined, 0.005))).toMatchObject({ problems: ['wrong_strength'] });
    expect(await post(ann, cure(randomUUID(), 0.0625))).toMatchObject({ code: 'no_such_lot' });
    expect(await post(ann, cure(weak, undefined))).toMatchObject({
      problems: ['wrong_strength'],
    });
    expect(await post(ann, weigh('cure', 38.9, { lotId: good }))).toMatchObject({ ok: true });
    const weighed = (await loadDossier(t.db, batchId, nowS()))!.case.state.weighed.cure;
    expect(weighed).toMatchObject({ lotId: good, nitriteFraction: 0.0625 });
  });

  test('a cure without a strength, a lot number twice, a count', async () => {
    const bad = await receiveLot(
      t.db,
      { ...(await findLot(t.db, await lot('Pork jowl', 'J2')))!, id: randomUUID() } as never,
      'Ann',
    ).catch(() => null);
    expect(bad === null || !bad.ok).toBe(true);
    const id = await lot('Pork jowl', 'J3');
    const count = { id: randomUUID(), lotId: id, countedG: 28_500, reason: 'drip loss' };
    expect(await adjustLot(t.db, count, 'Ann')).toEqual({ ok: true });
    expect((await findLot(t.db, id))!.leftG).toBeCloseTo(28_500, 6);
    expect((await openLots(t.db)).some((l) => l.id === id)).toBe(true);
    const empty = { ...count, id: randomUUID(), countedG: 0, reason: 'all gone' };
    expect(await adjustLot(t.db, empty, 'Ann')).toEqual({ ok: true });
    expect((await openLots(t.db)).some((l) => l.id === id)).toBe(false);
    expect((await searchLots(t.db, 'j3')).map((l) => l.id)).toEqual([id]);
    expect(await searchLots(t.db, '%')).toEqual([]);
  });

  test('a lot outside its limit is received by decision only, once, with its reason', async () => {
    const good = (await findLot(t.db, await lot('Pork jowl', 'J4')))!;
    const warm = {
      id: randomUUID(),
      ingredientId: ids['Pork jowl']!,
      code: 'J-warm',
      supplier: 'Farm',
      receivedAt: iso(nowS()),
      receivedTempC: 9,
      amountG: 30_000,
      costPerKg: null,
      useBy: '2020-01-01',
      fatFraction: null,
      nitriteFraction: null,
      nitrateFraction: null,
      owner: null,
    };
    const refused = await receiveLot(t.db, warm, 'Ann');
    expect(refused).toMatchObject({ ok: false, code: 'lot_outside' });
    if (!refused.ok) expect(Object.keys(refused.fields!)).toEqual(['receivedTempC', 'useBy']);
    expect(await findLot(t.db, warm.id)).toBeUndefined();
    for (let sent = 0; sent < 2; sent++)
      expect(await receiveLot(t.db, warm, 'Lead', 'for the dogs')).toEqual({ ok: true });
    expect(await movesOf(t.db, warm.id)).toMatchObject([
      { changeG: 0, byName: 'Lead', reason: expect.stringMatching(/4 °C.*2020-01-01.*dogs/) },
    ]);
    expect((await findLot(t.db, warm.id))!.leftG).toBe(30_000);
    expect(await movesOf(t.db, good.id)).toEqual([]);
  });

  test('an ingredient in use is not removed and says where it is used', async () => {
    const answer = await removeIngredient(t.db, ids['Pork jowl']!, recipesNaming);
    expect(answer).toMatchObject({ ok: false, code: 'ingredient_in_use' });
    if (!answer.ok) expect(answer.fields!['']).toMatch(/lot .*recipe /);
    const free = await ingredient('Never used', 'meat');
    expect(await removeIngredient(t.db, free, recipesNaming)).toEqual({ ok: true });
    expect(await removeIngredient(t.db, free, recipesNaming)).toMatchObject({
      code: 'no_such_ingredient',
    });
  });

  test('two ingredients of one name, in whatever case, are refused', async () => {
    const twin = { id: randomUUID(), name: 'PORK JOWL', kind: 'meat' as const, facts: {} };
    expect(await saveIngredient(t.db, twin, recipesNaming)).toMatchObject({
      code: 'ingredient_taken',
    });
  });
});
