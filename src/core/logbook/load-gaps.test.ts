import fc from 'fast-check';
import { foldBatch } from './fold';
import { refuse } from './accept';
import { routeOf } from '../route/adapter';
import { runs } from '../testing/thorough';
import { entriesOf, started, weighed, type Line } from '../testing/batch';
import { testRecipe, testRules } from '../testing/recipe';
import { checkCureHold } from '../verdict/dose-check';
import { checkMaking } from '../verdict/making-check';
import { bowlsFound } from '../bench/bowl';
import { mixedWithout, unweighedFor } from './load-gaps';
import { makingPlan } from '../making/plan';

const recipe = testRecipe();
const rules = testRules();
const rule = rules.making.body;
const plan = makingPlan(recipe, rule);
const mixId = routeOf(recipe).find((s) => s.kind === 'mix')!.id;
const MEAT: Line[] = [started(10_000), [1, weighed('lean', 8_000)], [2, weighed('fat', 2_000)]];
const LOADS: Line = [3, { kind: 'loads_set', loads: 2 }];
const cure = (atS: number, load?: number): Line => [
  atS,
  weighed('cure', load ? 9.6 : 19.2, { nitriteFraction: 0.0625, ...(load ? { load } : {}) }),
];
const own = (lineId: string, atS: number, load: number): Line => [
  atS,
  weighed(lineId, 100, { load }),
];
const mixed = (atS: number, load?: number): Line => [
  atS,
  { kind: 'step_ticked', stepId: mixId, ...(load ? { load } : {}) },
];
const stateOf = (...lines: Line[]) => foldBatch(recipe, entriesOf([...MEAT, ...lines]));
const gapsOf = (...lines: Line[]) =>
  mixedWithout(recipe, stateOf(...lines), plan).map((m) => [m.load, m.lines.join(' ')]);

test.each<[string, Line[], unknown[]]>([
  ['nothing mixed yet', [cure(10)], []],
  ['mixed with its cure, the rest weighed elsewhere', [cure(10), mixed(20)], []],
  ['mixed without its cure', [mixed(20)], [[null, 'cure']]],
  ['cure weighed after it was mixed', [mixed(20), cure(30)], [[null, 'cure']]],
  ['mixed again once the cure was in', [mixed(20), cure(30), mixed(40)], []],
  [
    'salt is weighed here, water is not',
    [cure(5), [6, weighed('salt', 161)], mixed(20)],
    [[null, 'water']],
  ],
  ['the second load has no cure', [LOADS, cure(10, 1), mixed(20, 1), mixed(30, 2)], [[2, 'cure']]],
  [
    'the second load has no salt, the first has',
    [
      LOADS,
      cure(10, 1),
      cure(11, 2),
      own('salt', 12, 1),
      own('water', 13, 1),
      mixed(20, 1),
      mixed(30, 2),
    ],
    [[2, 'salt water']],
  ],
  ['a tick of the whole is one of every load', [LOADS, cure(10, 1), mixed(20)], [[null, 'cure']]],
  [
    'skipped is not mixed',
    [[20, { kind: 'step_ticked', stepId: mixId, skipped: 'another mixer' }]],
    [],
  ],
])('%s', (_, lines, found) => {
  expect(gapsOf(...lines)).toEqual(found);
});

test('a bowl of which something was not weighed says what, whatever it weighs', () => {
  const s = stateOf(LOADS, cure(10, 1), [
    20,
    { kind: 'bowl_weighed', load: 2, grossG: 6_000, tareG: 1_000, scaleResolutionG: 10 },
  ]);
  expect(bowlsFound(recipe, s, rule)[0]!.unweighed).toEqual(['cure', 'salt', 'pepper', 'water']);
});

test('the verdict waits for a load that was mixed without, until somebody says what came of it', () => {
  const made: Line[] = [LOADS, cure(10, 1), mixed(20, 1), mixed(30, 2), cure(40, 2)];
  const caseOf = (...more: Line[]) => ({
    recipe,
    rules,
    state: stateOf(...made, [50, { kind: 'step_done', step: 'stuff' }], ...more),
    series: {},
    calibrations: {},
    nowS: 100,
  });
  const [gap] = mixedWithout(recipe, caseOf().state, plan);
  const key = `without:${gap!.tick.entryId}:${gap!.lines.join('+')}`;
  const answered: Line[] = [[60, { kind: 'reminder_answered', key, text: 'mixed again' }]];
  const because = (...more: Line[]) => checkMaking(caseOf(...more))!.because;
  expect(because()).toBe('mixed_without');
  expect(because(...answered)).not.toBe('mixed_without');
});

describe('the cure hold', () => {
  const startsAt = (s: ReturnType<typeof stateOf>) =>
    refuse(
      recipe,
      s,
      new Map(),
      { body: { kind: 'cure_hold_started', coolerC: 2 }, happenedS: 60, corrects: null },
      100,
    );
  test('does not begin while a load lacks its cure, its salt or its water', () => {
    const both = [LOADS, cure(10, 1), cure(11, 2)];
    expect(startsAt(stateOf(LOADS, cure(10, 1)))).toBe('load_short');
    expect(startsAt(stateOf(...both, own('salt', 12, 1)))).toBe('load_short');
    expect(startsAt(stateOf(...both, own('water', 12, 2)))).toBe('load_short');
    expect(startsAt(stateOf(...both, own('salt', 12, 1), own('salt', 13, 2)))).toBeNull();
    /* Spice is no cure: it is asked for, and stops nothing. */
    expect(startsAt(stateOf(...both, own('pepper', 12, 1)))).toBeNull();
  });
  test('counts from the last cure that went in', () => {
    const H = 3600;
    const held = (cureS: number) =>
      checkCureHold({
        recipe,
        rules,
        state: stateOf(
          LOADS,
          cure(10, 1),
          cure(cureS, 2),
          [60, { kind: 'cure_hold_started', coolerC: 2 }],
          [10 * H, { kind: 'cure_hold_ended', coolerC: 2 }],
        ),
        series: {},
        calibrations: {},
        nowS: 11 * H,
      });
    expect(held(20)).toMatchObject({ status: 'pass', because: 'held' });
    expect(held(5 * H)).toMatchObject({ status: 'fail', because: 'too_short' });
  });
});

test('in whatever order times are told, loads and shares are the same', () => {
  const lines: Line[] = [
    LOADS,
    cure(10, 1),
    cure(11, 2),
    own('salt', 12, 1),
    own('water', 13, 2),
    [14, { kind: 'cure_checked', weighedId: 'e4', readingG: 9.6, method: 'reentered_alone' }],
    /* What came on top stays, also where it is told as of before. */
    [15, weighed('cure', 2, { load: 2, more: true, nitriteFraction: 0.0625 })],
  ];
  const kept = (s: ReturnType<typeof stateOf>) => [
    Object.keys(s.weighed).sort(),
    Object.keys(s.partly).sort(),
    Object.keys(s.cureLooks).length,
    s.weighed.cure?.amountG,
    [1, 2, null].map((load) => unweighedFor(recipe, s, load)),
  ];
  const straight = kept(stateOf(...lines));
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 3, max: 90 }), { minLength: 7, maxLength: 7 }),
      (times) => {
        const told = lines.map(([, body], i): Line => [times[i]!, body]);
        expect(kept(stateOf(...told))).toEqual(straight);
      },
    ),
    { numRuns: runs(300) },
  );
});
