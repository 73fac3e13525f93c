import { foldBatch } from '../../logbook/fold';
import { HOUR, play } from '../../testing/played';
import { entriesOf, type Line } from '../../testing/batch';
import { testRecipe, testRules } from '../../testing/recipe';
import { planPlace } from '../../testing/plan-place';
import type { ProgramStage } from '../../recipe/stage';
import { planBatches, planTroubles } from '../many';
import { passedSteps, recipeOfRun } from '../passed';
import { followRecord } from '../follow';
import { recipeBlocks } from '../recipe-blocks';
import {
  alikeGroups,
  asPlanned,
  goAlike,
  groupPieces,
  planTask,
  WAITING,
  type TaskSite,
  type Work,
} from './index';

const T0 = 1_800_000_000 - (1_800_000_000 % 86_400);
const DAY = 24 * HOUR;
const recipe = testRecipe();
const hold = testRules().cure_hold.body;
const site: TaskSite = {
  places: [
    planPlace('big', 'house', 80_000),
    planPlace('little', 'house', 20_000),
    planPlace('cold', 'cooler', 200_000),
  ],
  machines: [
    {
      id: 'stuffer',
      name: 'Stuffer',
      kind: 'stuffer',
      capacityG: null,
      deadG: null,
      platesMm: [],
      hornsMm: [],
      note: '',
    },
  ],
  spans: Array.from({ length: 14 }, (_, d) => ({
    startS: T0 + d * DAY + 7 * HOUR,
    endS: T0 + d * DAY + 18 * HOUR,
    people: 2,
  })),
};
const wish = (id: string, more: Partial<Work> = {}): Work => ({
  id,
  recipe,
  batterG: 18_000,
  readyByS: T0 + 4 * DAY,
  weight: 1,
  fromS: null,
  blocks: recipeBlocks(recipe, hold),
  passed: [],
  dueS: null,
  placeId: null,
  ...more,
});
const task = (works: Work[], nowS = T0) => planTask({ works, site, nowS, horizonS: 14 * DAY });
const planned = (t: ReturnType<typeof task>) =>
  planBatches({ ...t, limits: { timeMs: 1e9, rounds: 20 } });

const stage = (
  kind: ProgramStage['kind'],
  airC: number,
  min: number,
  more: Partial<ProgramStage> = {},
) => ({
  id: `${kind}${airC}`,
  name: kind,
  kind,
  airC,
  smoke: kind === 'smoke',
  plannedS: min * 60,
  ...more,
});
const thick = [stage('dry', 55, 45), stage('smoke', 65, 120), stage('cook', 78, 90)];

describe('what may hang together', () => {
  test.each([
    ['the same', thick, true],
    ['over sooner', thick.slice(0, 2), true],
    ['out of the last stage first', [...thick.slice(0, 2), stage('cook', 78, 40)], true],
    ['over in the middle of a stage', [thick[0]!, stage('smoke', 65, 60)], true],
    ['a shorter stage, and on', [thick[0]!, stage('smoke', 65, 60), thick[2]!], false],
    ['warmer', [thick[0]!, stage('smoke', 70, 120), thick[2]!], false],
    ['without smoke', [thick[0]!, stage('smoke', 65, 120, { smoke: false })], false],
    ['another wood', [stage('dry', 55, 45), stage('smoke', 65, 120, { wood: 'beech' })], false],
    ['nothing', [], false],
  ])('%s: %#', (_, other, alike) => {
    expect(goAlike(thick, other)).toBe(alike);
    expect(goAlike(other, thick)).toBe(alike);
  });
  test('groups go by the longest, and all of a group go alike with each other', () => {
    const short = thick.slice(0, 2);
    const hot = [stage('cook', 90, 60)];
    expect(alikeGroups([short, hot, thick, hot])).toEqual([2, 1, 2, 1]);
  });
});

test('what is loaded, runs and is pulled in one house is one step; what is done elsewhere is another', () => {
  const piece = (key: string, durationS: number, attended = false) => ({
    key,
    durationS,
    attended,
  });
  const groups = groupPieces(
    [
      piece('stuff', 60, true),
      piece('load', 15, true),
      piece('stage:a', 100),
      piece('none', 0),
      piece('stage:b', 50),
      piece('pull', 10, true),
      piece('chill:cooler', 300),
    ],
    (key) => (key.startsWith('stage') ? 'house' : key.startsWith('chill') ? 'cooler' : 'bench'),
  );
  expect(groups.map((g) => [g.id, g.place, g.durationS])).toEqual([
    ['stuff', null, 60],
    ['stage:a', 'house', 175],
    ['chill:cooler', 'cooler', 300],
  ]);
  expect(groups[1]!.pieces.map((p) => [p.key, p.fromS, p.toS])).toEqual([
    ['load', 0, 15],
    ['stage:a', 15, 115],
    ['stage:b', 115, 165],
    ['pull', 165, 175],
  ]);
});

describe('asPlanned', () => {
  const work = wish('w');
  const way = (nowS = T0) =>
    followRecord({
      blocks: work.blocks,
      passed: [],
      nowS,
      readyByS: work.readyByS,
      horizonS: 14 * DAY,
      working: site.spans,
    });
  const t = task([work]);
  const steps = planned(t).steps;
  test('the way stands at the times of the plan, piece by piece', () => {
    const then = asPlanned(way(), steps, work.readyByS);
    const at = (key: string) => then.pieces.find((p) => p.key === key)!;
    expect(at('prepare').startS).toBe(steps[0]!.startS);
    expect(at('pack').endS).toBe(steps.at(-1)!.endS);
    const load = steps.find((s) =>
      s.uses.some((u) => u.resource === 'big' || u.resource === 'little'),
    )!;
    expect(then.pieces.find((p) => p.key === 'load')!.startS).toBe(load.startS);
    expect(then.lateS).toBe(steps.at(-1)!.endS - work.readyByS);
    then.pieces
      .slice(1)
      .forEach((p, i) => expect(p.startS).toBeGreaterThanOrEqual(then.pieces[i]!.endS));
  });
  test.each([
    ['no plan', []],
    ['a plan of something else', steps.map((s) => ({ ...s, step: `other-${s.step}` }))],
    ['only a part of it', steps.slice(0, -1).concat({ ...steps.at(-1)!, step: 'ghost' })],
  ])('%s says nothing', (_, other) => expect(asPlanned(way(), other, 0)).toEqual(way()));
  test('a plan that was overtaken says nothing', () => {
    const back = steps.map((s, i) =>
      i === 2 ? { ...s, startS: s.startS - DAY, endS: s.endS - DAY } : s,
    );
    expect(asPlanned(way(), back, 0)).toEqual(way());
  });
});

describe('planTask', () => {
  test('a wish is planned whole, in its places, with people only where they are needed', () => {
    const t = task([wish('w')]);
    const p = planned(t);
    expect(p.status).toBe('ok');
    expect(planTroubles({ ...t, limits: { timeMs: 1 } }, p.steps)).toEqual([]);
    const run = t.batches[0]!.steps.find((s) => s.uses.some((u) => u.anyOf.includes('big')))!;
    expect(run.uses[0]!.anyOf).toEqual(['big', 'little']);
    expect(run.people).toBe(0);
    expect(run.visits!.length).toBeGreaterThan(0);
    expect(t.batches[0]!.steps.find((s) => s.id === 'stuff')!.uses[0]!.anyOf).toEqual(['stuffer']);
    /* It is not made much earlier than it has to be. */
    expect(p.steps[0]!.startS).toBeGreaterThanOrEqual(T0 + 4 * DAY - 3 * DAY - 2 * DAY);
  });

  test('two of one kind fit the little house apart and the big one together', () => {
    const t = planTask({
      works: ['a', 'b'].map((id) => wish(id, { batterG: 30_000 })),
      site: { ...site, machines: [] },
      nowS: T0,
      horizonS: 14 * DAY,
    });
    const runs = planned(t).steps.filter((s) => s.uses.some((u) => u.resource === 'big'));
    expect(runs).toHaveLength(2);
    expect(runs[0]!.startS).toBe(runs[1]!.startS);
  });

  test.each([
    ['too heavy for every house', { batterG: 90_000 }, 'too_heavy', 80_000],
    ['no house at all', { batterG: 1000 }, 'no_place', 0],
  ] as const)('%s: named, and in no plan', (_, more, code, takesG) => {
    const places =
      code === 'no_place' ? site.places.filter((p) => p.kind !== 'house') : site.places;
    const t = planTask({
      works: [wish('w', more), wish('ok', { batterG: 1000 })],
      site: { ...site, places },
      nowS: T0,
      horizonS: 14 * DAY,
    });
    expect(t.misfits).toContainEqual(
      expect.objectContaining({ batch: 'w', code, takesG, asksG: more.batterG }),
    );
    expect(t.batches.some((b) => b.id === 'w')).toBe(false);
  });

  test('sticks count as room: long thin pieces fill a house that could carry more', () => {
    const few = site.places.map((p) =>
      p.kind === 'house' ? { ...p, sticks: 3, stickMm: 900, dropMm: 700 } : p,
    );
    const long = { ...recipe, casing: { ...recipe.casing, pieceMm: 300 } };
    const t = planTask({
      works: [wish('w', { recipe: long })],
      site: { ...site, places: few },
      nowS: T0,
      horizonS: 14 * DAY,
    });
    expect(t.misfits[0]).toMatchObject({ code: 'too_many_sticks', takesG: 80_000 });
  });

  const played = play({ recipe });
  const lines = (untilS: number) =>
    entriesOf(
      played.lines.filter(([s]) => s <= untilS).map(([s, ...rest]): Line => [s + T0, ...rest]),
    );
  const going = (untilS: number): Work => {
    const state = foldBatch(recipe, lines(untilS));
    const own = recipeOfRun(recipe, state);
    return wish('going', {
      recipe: own,
      blocks: recipeBlocks(own, hold),
      passed: passedSteps(state),
      placeId: state.run?.houseId ?? null,
    });
  };

  test('what hangs stays where it hangs, and what comes after is planned', () => {
    const nowS = T0 + played.runS + HOUR;
    const t = task([{ ...going(played.runS + HOUR), placeId: 'big' }], nowS);
    const run = t.steps.find((s) => s.place === 'house')!;
    expect(run.settledS!.startS).toBeLessThanOrEqual(nowS);
    expect(run.settledS!.endS).toBeGreaterThan(nowS);
    expect(t.behind.some((b) => b.key === 'stuff')).toBe(true);
    const p = planned(t);
    expect(planTroubles({ ...t, limits: { timeMs: 1 } }, p.steps)).toEqual([]);
    expect(p.steps.find((s) => s.step === run.id)!.uses[0]!.resource).toBe('big');
    expect(p.status).toBe('ok');
  });

  test('what has begun is more than the cooler is said to hold: it stands there all the same, and nobody else comes in', () => {
    const stuffedS = played.lines.find(([, b]) => b.kind === 'step_done' && b.step === 'stuff')![0];
    const nowS = T0 + stuffedS + HOUR;
    const small = { ...site, places: site.places.map((p) => ({ ...p, capacityG: 100_000 })) };
    const begun = ['x', 'y'].map((id) => ({ ...going(stuffedS), id, batterG: 60_000 }));
    const ask = (works: Work[]) =>
      planTask({ works, site: small, nowS, horizonS: 14 * DAY }).resources.find(
        (r) => r.id === 'cold',
      )!.capacity;
    expect([ask(begun.slice(0, 1)), ask(begun)]).toEqual([100_000, 120_000]);
    const one = { ...begun[0]!, batterG: 18_000 };
    expect(planned(planTask({ works: [one], site, nowS, horizonS: 14 * DAY })).status).toBe('ok');
  });

  test('a batch that waits between two steps waits no longer than it may', () => {
    const stuffedS = played.lines.find(([, b]) => b.kind === 'step_done' && b.step === 'stuff')![0];
    const nowS = T0 + stuffedS + HOUR;
    const t = task([going(stuffedS)], nowS);
    expect(t.batches[0]!.steps[0]!.id).toBe(WAITING);
    /* It has stood about for an hour, and may for one more. */
    expect(t.batches[0]!.steps[0]!.waits).toEqual({
      anyOf: ['cold'],
      amount: expect.any(Number),
      freeS: HOUR,
    });
    const limitS = t.batches[0]!.steps[0]!.maxWaitAfterS;
    const next = planned(t).steps[1]!;
    expect(next.startS - nowS).toBeLessThanOrEqual(limitS + 300);
  });
});
