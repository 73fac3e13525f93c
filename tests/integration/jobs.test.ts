import { randomUUID } from 'node:crypto';
import type { EntryBody, Recipe } from '@/core';
import { coolingCurve, cookCurve, type Curve } from '../support/curves';
import {
  driedRecipe,
  hotRecipe,
  partedRecipe,
  poachedRecipe,
  rawRecipe,
} from '@/core/testing/outcomes';
import { applySchool } from '@/core/review/schools/apply-school';
import { fermentedRecipe } from '@/core/testing/recipe';
import type { Person } from '@/features/accounts/identify';
import { loadDossier } from '@/features/logbook/case';
import { loadOpenDossiers } from '@/features/logbook/open-batches';
import { nextStep } from '@/features/batches/next-step';
import { postEntry, startBatch } from '@/features/batches/service';
import { postedBodySchema } from '@/features/logbook/contract';
import { signBatch } from '@/features/batches/sign';
import { importLogger } from '@/features/readings/import';
import { recipeSchema } from '@/features/recipes/contract';
import { saveRecipe } from '@/features/recipes/service';
import { verifyLogbook } from '@/features/records/verify';
import { approve, freshDatabase, type TestDb } from '../support/database';
import { person } from '../support/people';
import { weigh } from '../support/weigh';

jest.mock('@/features/accounts/identify', () => ({}));

const ann = person('ann', 'operator');
const bob = person('bob', 'formulator');
const lead = person('lead', 'release_lead');
const HOUR = 3600;
const DAY = 24 * HOUR;
const nowS = () => Date.now() / 1000;
const iso = (s: number) => new Date(s * 1000).toISOString();

let t: TestDb;
beforeAll(async () => {
  t = await freshDatabase();
});
afterAll(() => t.drop());

/** A batch of a recipe from the first approval on, told by hours since its start. */
class Job {
  private constructor(
    readonly startS: number,
    readonly id: string = randomUUID(),
  ) {}

  /** One part of it, once its batter is made. */
  part = (name: string) => new Job(this.startS, `${this.id}.${name}`);

  static async of(recipe: Recipe, agoH: number): Promise<Job> {
    const job = new Job(nowS() - agoH * HOUR);
    const name = `${recipe.name} ${randomUUID().slice(0, 6)}`;
    const content = recipeSchema.parse({ ...recipe, name });
    const saved = await saveRecipe(
      t.db,
      { basedOn: 0, reason: 'first version', content },
      bob.name,
    );
    if (!saved.ok) throw new Error(JSON.stringify(saved));
    await approve(t.db, saved.data.versionId);
    const answer = await startBatch(t.db, ann, {
      id: job.id,
      recipeVersionId: saved.data.versionId,
      meatG: 30_000,
      readyBy: iso(nowS() + HOUR),
      startedAt: iso(job.startS),
    });
    expect(answer).toMatchObject({ ok: true });
    return job;
  }

  async try(
    h: number,
    body: object,
    who: Person = ann,
    id = randomUUID(),
    corrects: string | null = null,
  ) {
    const parsed = postedBodySchema.parse(body);
    return postEntry(t.db, who, this.id, {
      id,
      happenedAt: iso(this.startS + h * HOUR),
      body: parsed,
      corrects,
      confirmed: true,
      enteredIn: 'metric',
    });
  }

  async say(h: number, body: object, who: Person = ann, id = randomUUID()): Promise<void> {
    expect([body, await this.try(h, body, who, id)]).toEqual([
      body,
      expect.objectContaining({ ok: true }),
    ]);
  }

  /** Everything that the recipe asks for, 30 kg of meat. */
  async weighAll(recipe: Recipe): Promise<void> {
    for (const m of recipe.meat) await this.say(0.02, weigh(m.id, m.share * 30_000));
    if (recipe.cure) {
      const id = randomUUID();
      await this.say(0.05, weigh('cure', 60), ann, id);
      await this.say(0.06, { kind: 'cure_checked', weighedId: id, readingG: 60 }, bob);
    }
    await this.say(0.07, weigh('salt', recipe.cure ? 484 : 540));
    for (const a of recipe.additions)
      await this.say(0.08, weigh(a.id, Math.max(1, a.fraction * 30_000)));
  }

  async hold(): Promise<void> {
    await this.say(1, { kind: 'cure_hold_started', coolerC: 2 });
    await this.say(10, { kind: 'cure_hold_ended', coolerC: 2 });
    await this.say(11, { kind: 'step_done', step: 'stuff', weightG: 31_000, tempC: 4 });
  }

  /** A logger's file with a core and what surrounds it. */
  async log(fromH: number, curve: Curve): Promise<void> {
    const rows = curve.map(({ h, core, air }) => {
      const at = iso(this.startS + (fromH + h) * HOUR);
      return `${at},${core.toFixed(2)},${air.toFixed(2)}`;
    });
    const bytes = new TextEncoder().encode(['Time,Core (°C),Air (°C)', ...rows].join('\n'));
    const columns = [
      { name: 'Core (°C)', what: 'core' as const, thickest: true },
      { name: 'Air (°C)', what: 'air' as const, thickest: false },
    ];
    const file = { name: `${randomUUID()}.csv`, bytes };
    expect(
      await importLogger(t.db, ann, this.id, file, { timeZone: 'UTC' }, columns, nowS()),
    ).toMatchObject({ ok: true });
  }

  async now() {
    const dossier = (await loadDossier(t.db, this.id, nowS()))!;
    const open = dossier.verdict.checks.filter((k) => k.status !== 'pass');
    return {
      phase: dossier.case.state.phase,
      next: nextStep(dossier.case).code,
      open: open.map((k) => `${k.code}:${k.because}`),
      holds: dossier.case.state.holds.filter((h) => h.open).map((h) => h.check),
    };
  }

  sign = () => signBatch(t.db, lead, this.id, randomUUID());

  /** Signed, closed, and the chain stands. */
  async close(): Promise<void> {
    expect(await this.now()).toMatchObject({ phase: 'to_sign', next: 'sign', open: [] });
    expect(await this.sign()).toMatchObject({ ok: true });
    expect((await this.now()).phase).toBe('released');
    expect(await verifyLogbook(t.db)).toMatchObject({ problems: [], notes: [] });
  }
}

/** The batch, or its parts, that are open. */
const openOf = async (job: Job) =>
  (await loadOpenDossiers(t.db, nowS())).filter((d) => d.head.batchId === job.id);
const LOAD = randomUUID();

const step = (name: string, more: object = {}): EntryBody =>
  ({ kind: 'step_done', step: name, ...more }) as EntryBody;
const pieces = async (job: Job, h: number, share: number) => {
  for (const piece of ['A', 'B', 'C'])
    await job.say(h, { kind: 'piece_weighed', piece, weightG: 400 * share });
};
const frozen = (lineId: string) => ({
  kind: 'parasites_controlled',
  lineId,
  lotId: null,
  control: { way: 'frozen', thicknessMm: 120, atC: -20, forS: 25 * DAY },
});

test('1 · a batter poached in a water bath only, never in a house', async () => {
  const recipe = poachedRecipe();
  const job = await Job.of(recipe, 30);
  await job.weighAll(recipe);
  await job.hold();
  expect(await job.now()).toMatchObject({ phase: 'making', next: 'start_run' });
  await job.say(12, { kind: 'run_started', houseId: 'house' });
  await job.say(13.5, { kind: 'pulled' });
  expect(await job.now()).toMatchObject({ phase: 'chilling', next: 'start_chill' });
  await job.say(13.5, { kind: 'chill_started', medium: 'ice_bath' });
  await job.log(12, [...cookCurve(38, 76, 1.5), ...coolingCurve(38, 1.5, 3)]);
  expect(await job.now()).toMatchObject({ next: 'bloom' });
  await job.say(17, step('bloom'));
  await job.say(18, step('pack', { weightG: 29_000 }));
  await job.close();
});

describe('2 · fermented, cold-smoked, dried, never cooked', () => {
  const recipe = driedRecipe();
  async function dried(agoH: number, controlled: boolean): Promise<Job> {
    const job = await Job.of(recipe, agoH);
    await job.weighAll(recipe);
    if (controlled) for (const line of ['lean', 'fat']) await job.say(0.2, frozen(line));
    await job.hold();
    await pieces(job, 11.9, 1);
    await job.say(12, { kind: 'run_started', houseId: 'house' });
    expect(await job.now()).toMatchObject({ phase: 'in_house', next: 'ferment' });
    await job.say(36, { kind: 'ph_logged', ph: 5.05 });
    await job.say(36.5, { kind: 'ph_logged', ph: 5.02 });
    await job.say(37, { kind: 'stage_started', stageIndex: 1 });
    await job.say(46, { kind: 'stage_started', stageIndex: 2 });
    const chamber: Curve = Array.from({ length: agoH - 13 }, (_, h) => ({
      h,
      core: h < 24 ? 24 : 14,
      air: h < 24 ? 24 : 14,
    }));
    await job.log(12, chamber);
    expect(await job.now()).toMatchObject({ phase: 'in_house', next: 'dry' });
    await pieces(job, agoH - 4, 0.63);
    expect(await job.now()).toMatchObject({ next: 'pull' });
    await job.say(agoH - 3, { kind: 'pulled' });
    await job.say(agoH - 2, step('pack', { weightG: 19_000 }));
    return job;
  }

  test('with a frozen lot and the plan of the site: signed', async () => {
    const job = await dried(20 * 24, true);
    expect(await job.now()).toMatchObject({ phase: 'to_sign', next: 'name_plan' });
    expect(await job.sign()).toEqual({ ok: false, code: 'verdict_missing' });
    const plan = { kind: 'plan_named', plan: 'Plan 4 of 2025, dry stick of 38 mm' };
    expect(await job.try(20 * 24 - 1, plan, ann)).toEqual({ ok: false, code: 'not_allowed' });
    await job.say(20 * 24 - 1, plan, lead);
    await job.close();
  });

  test('without any parasite control: never signed', async () => {
    const job = await dried(21 * 24, false);
    await job.say(21 * 24 - 1, { kind: 'plan_named', plan: 'Plan 4 of 2025, dry stick' }, lead);
    expect(await job.now()).toMatchObject({
      next: 'parasites',
      open: ['parasites:not_recorded'],
    });
    expect(await job.sign()).toEqual({ ok: false, code: 'verdict_missing' });
  });
});

describe('4 · dried and cooked', () => {
  const fermenting = (job: Job) => async (fromH: number) => {
    await job.say(fromH + 20, { kind: 'ph_logged', ph: 5.05 });
    await job.say(fromH + 20.5, { kind: 'ph_logged', ph: 5.02 });
  };
  const chamber = (hours: number, airC: number): Curve =>
    Array.from({ length: hours }, (_, h) => ({ h, core: airC - 0.5, air: airC }));

  test('dried, then cooked', async () => {
    const recipe = {
      ...applySchool(fermentedRecipe(), 'order', 'ferment_dry_smoke_cook'),
      drying: { minLossFraction: 0.15 },
    };
    const job = await Job.of(recipe, 8 * 24);
    await job.weighAll(recipe);
    await job.hold();
    await pieces(job, 11.9, 1);
    await job.say(12, { kind: 'run_started', houseId: 'house' });
    await fermenting(job)(12);
    await job.say(33, { kind: 'stage_started', stageIndex: 1 });
    await pieces(job, 150, 0.83);
    await job.say(151, { kind: 'stage_started', stageIndex: 2 });
    await job.say(152, { kind: 'stage_started', stageIndex: 3 });
    await job.say(154, { kind: 'stage_started', stageIndex: 4 });
    await job.log(12, chamber(21, 30));
    await job.log(33, chamber(118, 14));
    await job.log(151, cookCurve(38, 80, 6, 14));
    await job.say(157, { kind: 'pulled' });
    await job.say(157, { kind: 'chill_started', medium: 'ice_bath' });
    await job.log(157, coolingCurve(38, 0, 5));
    await job.say(163, step('bloom'));
    await job.say(164, step('pack', { weightG: 24_000 }));
    await job.close();
  });

  test('cooked, then chilled, then dried in a place of its own', async () => {
    const recipe = {
      ...applySchool(fermentedRecipe(), 'order', 'ferment_smoke_cook_dry'),
      drying: { minLossFraction: 0.15 },
    };
    const job = await Job.of(recipe, 9 * 24);
    await job.weighAll(recipe);
    await job.hold();
    await job.say(12, { kind: 'run_started', houseId: 'house' });
    await fermenting(job)(12);
    for (const [h, stageIndex] of [
      [33, 1],
      [34, 2],
      [36, 3],
    ] as const)
      await job.say(h, { kind: 'stage_started', stageIndex });
    await job.log(12, chamber(21, 30));
    await job.log(33, cookCurve(38, 80, 6, 25));
    await job.say(39, { kind: 'pulled' });
    await job.say(39, { kind: 'chill_started', medium: 'ice_bath' });
    await job.log(39, coolingCurve(38, 0, 5));
    expect(await job.now()).toMatchObject({ phase: 'chilling', next: 'start_drying' });
    await pieces(job, 45, 1);
    await job.say(45, { kind: 'drying_started' });
    expect(await job.now()).toMatchObject({
      phase: 'drying',
      next: 'dry',
      open: ['drying:too_few_pieces'],
    });
    await pieces(job, 190, 0.84);
    expect(await job.now()).toMatchObject({ next: 'bloom' });
    await job.say(200, step('bloom'));
    await job.say(201, step('pack', { weightG: 24_000 }));
    await job.close();
  });
});

describe('5 · uncured, hot and fast, eaten hot', () => {
  const recipe = hotRecipe();
  async function cooked(agoH: number): Promise<Job> {
    const job = await Job.of(recipe, agoH);
    await job.weighAll(recipe);
    await job.say(0.5, step('stuff', { weightG: 31_000, tempC: 4 }));
    await job.say(0.6, { kind: 'run_started', houseId: 'house' });
    await job.log(0.6, cookCurve(38, 110, 1.2));
    await job.say(1.8, { kind: 'pulled' });
    return job;
  }

  test('served in time: signed without any chill', async () => {
    const job = await cooked(3);
    expect(await job.now()).toMatchObject({ phase: 'serving', next: 'serve' });
    await job.say(2.4, { kind: 'served' });
    await job.close();
  });

  test('left standing: held; it goes to the chill, which is judged, or it is destroyed', async () => {
    const job = await cooked(8);
    expect(await job.now()).toMatchObject({ holds: ['serving'], open: ['serving:left_standing'] });
    expect(await job.try(7.9, { kind: 'served' })).toEqual({ ok: false, code: 'on_hold' });
    await job.say(7.9, { kind: 'chill_started', medium: 'ice_bath' });
    const open = (await job.now()).open;
    expect(open.some((k) => k.startsWith('cooling'))).toBe(true);
    expect(open.some((k) => k.startsWith('serving'))).toBe(false);
    await job.say(
      7.95,
      {
        kind: 'disposed',
        disposition: 'destroy',
        reason: 'stood for six hours',
        checks: [],
      },
      lead,
    );
    expect((await job.now()).phase).toBe('destroyed');
  });
});

test('3 · one batter in a large casing (smoke, bath) and a small one (smoke), released part by part', async () => {
  const recipe = partedRecipe();
  const job = await Job.of(recipe, 34);
  await job.weighAll(recipe);
  await job.say(1, { kind: 'cure_hold_started', coolerC: 2 });
  expect((await openOf(job)).map((d) => d.head.id)).toEqual([job.id]);
  await job.say(10, { kind: 'cure_hold_ended', coolerC: 2 });
  const [large, small] = [job.part('large'), job.part('small')];
  expect((await openOf(job)).map((d) => d.head.id)).toEqual([large.id, small.id]);
  expect(await large.now()).toMatchObject({ phase: 'making', next: 'stuff' });

  await large.say(11, step('stuff', { weightG: 19_000, tempC: 4 }));
  await small.say(11.5, step('stuff', { weightG: 12_500, tempC: 4 }));
  await large.say(12, { kind: 'run_started', houseId: 'house', loadId: LOAD });
  await small.say(12, { kind: 'run_started', houseId: 'house', loadId: LOAD });
  const rise = cookCurve(24, 66, 2);
  await small.log(12, [...rise, ...cookCurve(24, 80, 1, 60).map((r) => ({ ...r, h: r.h + 2.02 }))]);
  for (const part of [large, small]) await part.say(14, { kind: 'stage_started', stageIndex: 1 });
  await small.say(15, { kind: 'pulled' });
  expect(await small.now()).toMatchObject({ phase: 'chilling' });
  expect(await large.now()).toMatchObject({ phase: 'in_house' });
  await small.say(15, { kind: 'chill_started', medium: 'ice_bath' });
  await small.log(15, coolingCurve(24, 0.02, 4));
  await small.say(20, step('pack', { weightG: 11_000 }));
  expect(await small.now()).toMatchObject({ phase: 'to_sign', next: 'sign', open: [] });
  expect(await small.sign()).toMatchObject({ ok: true });
  expect((await small.now()).phase).toBe('released');
  expect((await openOf(job)).map((d) => d.head.id)).toEqual([large.id]);

  /* What was signed stands: the batter takes no other weight now, by whichever part it is asked. */
  expect(await large.try(20.5, weigh('lean', 23_000))).toMatchObject({ ok: false });
  expect(
    await large.try(20.5, {
      kind: 'parasites_controlled',
      lineId: 'lean',
      lotId: null,
      control: { way: 'certified', certificate: 'none' },
    }),
  ).toEqual({ ok: false, code: 'batch_closed' });
  expect(await large.sign()).toEqual({ ok: false, code: 'not_packed' });

  const cook = cookCurve(55, 76, 5);
  await large.log(12, cook);
  await large.say(17, { kind: 'pulled' });
  await large.say(17, { kind: 'chill_started', medium: 'ice_bath' });
  await large.log(17, coolingCurve(55, 0.02, 6, 2, cook.at(-1)!.core));
  await large.say(27, step('pack', { weightG: 17_500 }));
  expect(await large.now()).toMatchObject({ phase: 'to_sign', open: [] });
  await large.close();
  expect(await openOf(job)).toEqual([]);
  expect((await verifyLogbook(t.db)).problems).toEqual([]);

  /* A slip in the batter opens both again, and only both. */
  const cure = (await loadDossier(t.db, large.id, nowS()))!.entries.find(
    (e) => e.body.kind === 'weighed' && e.body.lineId === 'salt',
  )!;
  const fix = { kind: 'corrected', reason: 'read wrongly', replacement: weigh('salt', 485) };
  expect(await large.try(28, fix, ann, randomUUID(), cure.id)).toMatchObject({ ok: true });
  expect((await large.now()).phase).toBe('to_sign');
  expect((await small.now()).phase).toBe('to_sign');
  expect((await openOf(job)).length).toBe(2);
  expect((await verifyLogbook(t.db)).problems).toEqual([]);
});

test('6 · raw, cooked by who eats it, frozen', async () => {
  const recipe = rawRecipe('frozen');
  const job = await Job.of(recipe, 30);
  await job.weighAll(recipe);
  expect(await job.try(1, { kind: 'run_started', houseId: 'house' })).toEqual({
    ok: false,
    code: 'nothing_hung',
  });
  await job.say(1.5, step('stuff', { weightG: 31_000, tempC: 3.5 }));
  expect(await job.now()).toMatchObject({ phase: 'raw', next: 'pack' });
  await job.say(2, step('pack', { weightG: 30_900, tempC: 3 }));
  expect(await job.now()).toMatchObject({ phase: 'raw', next: 'freeze' });
  await job.say(20, step('freeze', { tempC: -19.5 }));
  expect(await job.now()).toMatchObject({ phase: 'to_sign', next: 'label' });
  expect(await job.sign()).toEqual({ ok: false, code: 'verdict_missing' });
  await job.say(21, { kind: 'labelled', text: 'Raw product: cook to 72 °C before eating' });
  await job.close();
});
