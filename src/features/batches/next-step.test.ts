import { foldBatch, type Case, type Reading } from '@/core';
import { entriesOf, started, weighed, type Line } from '@/core/testing/batch';
import { fermentedRecipe, testRecipe, testRules } from '@/core/testing/recipe';
import { surroundings } from '@/features/houses/program';
import { liveCooling, liveHeat } from './live';
import { nextStep } from './next-step';

const HOUR = 3600;
const start = started(10_000);
const weigh = (lineId: string, amountG: number): Line => [
  100,
  weighed(lineId, amountG, lineId === 'cure' ? { nitriteFraction: 0.0625 } : {}),
];
const meat = [weigh('lean', 8_000), weigh('fat', 2_000)];
const look: Line = [
  110,
  { kind: 'cure_checked', weighedId: 'e3', readingG: 19.2, method: 'second_person' },
];
const dosed = [start, ...meat, weigh('cure', 19.2), look];
const held: Line[] = [...dosed, [HOUR, { kind: 'cure_hold_started', coolerC: 2 }]];
const rested: Line[] = [...held, [10 * HOUR, { kind: 'cure_hold_ended', coolerC: 2 }]];
const stuffed: Line[] = [...rested, [11 * HOUR, { kind: 'step_done', step: 'stuff' }]];
const running: Line[] = [
  ...stuffed,
  [12 * HOUR, { kind: 'run_started', houseId: 'h' }],
  [12 * HOUR, { kind: 'probe_placed', channelId: 1, what: 'core', thickest: true }],
];
const cooking: Line[] = [
  ...running,
  [13 * HOUR, { kind: 'stage_started', stageIndex: 1 }],
  [15 * HOUR, { kind: 'stage_started', stageIndex: 2 }],
];
const pulled: Line[] = [...cooking, [16 * HOUR, { kind: 'pulled' }]];
const chilling: Line[] = [...pulled, [16 * HOUR, { kind: 'chill_started', medium: 'ice_bath' }]];
const bloomed: Line[] = [...chilling, [20 * HOUR, { kind: 'step_done', step: 'bloom' }]];
const packed: Line[] = [...bloomed, [21 * HOUR, { kind: 'step_done', step: 'pack' }]];
const onHold: Line[] = [...dosed, [200, { kind: 'held', source: 'person', reason: 'smells odd' }]];

const line = (...p: [number, number][]): Reading[] =>
  p.map(([h, tempC]) => ({ tS: h * HOUR, tempC }));
function caseOf(lines: Line[], nowH: number, core: Reading[] = []): Case {
  const recipe = testRecipe();
  const entries = entriesOf(lines);
  return {
    recipe,
    rules: testRules(),
    state: foldBatch(recipe, entries),
    series: { 1: core },
    calibrations: {},
    nowS: nowH * HOUR,
  };
}
const dense = (points: [number, number][]): Reading[] =>
  points.slice(1).flatMap(([h1, b], i) => {
    const [h0, a] = points[i]!;
    return line(
      ...Array.from({ length: 60 }, (_, k): [number, number] => [
        h0 + ((h1 - h0) * (k + 1)) / 60,
        a + ((b - a) * (k + 1)) / 60,
      ]),
    );
  });

test.each<[string, Line[], number, string, number | null]>([
  ['nothing weighed', [start], 1, 'weigh_meat', null],
  ['meat weighed', [start, ...meat], 1, 'weigh_cure', null],
  ['cure weighed', [start, ...meat, weigh('cure', 19.2)], 1, 'check_cure', null],
  ['cure checked', dosed, 1, 'start_hold', null],
  ['in the hold', held, 2, 'end_hold', 9 * HOUR],
  ['rested', rested, 10, 'stuff', null],
  ['stuffed', stuffed, 11, 'start_run', null],
  ['first stage', running, 12.5, 'next_stage', 13 * HOUR],
  ['pulled', pulled, 16, 'start_chill', 16 * HOUR],
  ['bloomed', bloomed, 20.5, 'pack', 21 * HOUR],
  ['packed', packed, 22, 'sign', null],
  ['on hold', onHold, 1, 'decide', null],
])('%s: the next step is told', (_, lines, nowH, code, dueS) => {
  expect(nextStep(caseOf(lines, nowH))).toMatchObject({ code, dueS });
});

test('in the last stage the pull is due when the logs will be there', () => {
  const slow = caseOf(
    cooking,
    15,
    dense([
      [12, 4],
      [14.8, 57],
      [15, 57],
    ]),
  );
  expect(nextStep(slow).code).toBe('pull');
  expect(nextStep(slow).dueS!).toBeGreaterThan(15 * HOUR);
  expect(liveHeat(slow)!.neededS!).toBeGreaterThan(0);
  const done = caseOf(
    cooking,
    15.5,
    dense([
      [12, 4],
      [14.8, 66],
      [15.5, 67],
    ]),
  );
  expect(liveHeat(done)).toMatchObject({ pass: true, neededS: 0 });
  expect(nextStep(done)).toMatchObject({ code: 'pull', dueS: 15.5 * HOUR });
});

test('too cold for credit: no time is promised', () => {
  expect(
    liveHeat(
      caseOf(
        cooking,
        15,
        dense([
          [12, 4],
          [15, 50],
        ]),
      ),
    )!.neededS,
  ).toBeNull();
});

test('the cooling clock names its deadline, step by step', () => {
  const first = caseOf(
    chilling,
    16.5,
    dense([
      [12, 4],
      [15.5, 66],
      [16, 68],
      [16.5, 40],
    ]),
  );
  const cooling = liveCooling(first)!;
  expect(cooling.steps[0]).toMatchObject({ status: 'incomplete' });
  expect(cooling.steps[0]!.deadlineS! - cooling.steps[0]!.startS!).toBe(5400);
  expect(cooling.steps[1]!.deadlineS).toBeNull();
  expect(nextStep(first)).toMatchObject({
    code: 'cool',
    toC: 26.7,
    dueS: cooling.steps[0]!.deadlineS,
  });
  const cold = caseOf(
    chilling,
    20,
    dense([
      [12, 4],
      [15.5, 66],
      [16, 68],
      [16.5, 20],
      [18, 3],
      [20, 3],
    ]),
  );
  expect(nextStep(cold)).toMatchObject({ code: 'bloom' });
});

test('what surrounds the product follows the stage, then the chill', () => {
  const around = (lines: Line[]) => {
    const c = caseOf(lines, 22);
    return surroundings(c.state);
  };
  expect(around(running)).toEqual({ stage: 'Dry', medium: 'air', setC: 55 });
  expect(around(cooking)).toEqual({ stage: 'Cook', medium: 'air', setC: 82 });
  expect(around(pulled)).toEqual({ stage: null, medium: 'air', setC: null });
  expect(around(chilling)).toEqual({ stage: null, medium: 'ice_bath', setC: 1 });
});

describe('a fermented batch in its fermentation', () => {
  const fermenting = (ph: number[], ownPh?: number): Case => {
    const lines: Line[] = [
      start,
      [HOUR, { kind: 'run_started', houseId: 'h' }],
      ...ph.map((value, i): Line => [(10 + i) * HOUR, { kind: 'ph_logged', ph: value }]),
    ];
    const plain = fermentedRecipe();
    const ends = ownPh === undefined ? {} : { ends: { join: 'any' as const, ph: ownPh } };
    const program = plain.program.map((s) => (s.kind === 'ferment' ? { ...s, ...ends } : s));
    const recipe = { ...plain, program };
    const state = foldBatch(recipe, entriesOf(lines));
    return { recipe, rules: testRules(), state, series: {}, calibrations: {}, nowS: 12 * HOUR };
  };
  test('waits for the pH of its own stage too', () => {
    expect(nextStep(fermenting([5.2, 5.2], 4.8)).code).toBe('ferment');
    expect(nextStep(fermenting([5.2, 4.8, 4.8], 4.8)).code).toBe('next_stage');
  });

  test('asks for the pH until it is reached, then for the next stage', () => {
    const dueS = HOUR + 18 * HOUR;
    expect(nextStep(fermenting([5.6]))).toEqual({ code: 'ferment', dueS });
    expect(nextStep(fermenting([5.6, 5.2, 5.2]))).toMatchObject({
      code: 'next_stage',
      detail: 'Dry',
    });
  });
});
