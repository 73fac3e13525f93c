import {
  foldBatch,
  learnMachine,
  makingPlan,
  routeOf,
  type Case,
  type Machine,
  type Scale,
} from '@/core';
import { entriesOf, started, weighed, type Line } from '@/core/testing/batch';
import { testRecipe, testRules } from '@/core/testing/recipe';
import { lineKey } from './contract';
import { dosesOf, weighedByKey } from './doses';
import { passKey, type Learned } from './learned';
import { makingSheet } from './sheet';

const recipe = testRecipe();
const route = routeOf(recipe);
const grind = route.find((s) => s.kind === 'grind')!;
const mix = route.find((s) => s.kind === 'mix')!;
const SCALES: Scale[] = [
  { id: 'f', name: 'fine', capacityG: 500, resolutionG: 0.1 },
  { id: 'b', name: 'bench', capacityG: 60_000, resolutionG: 5 },
];
const NOTHING: Learned = { machines: {}, chill: { factor: 1, runs: 0 } };
const mixer: Machine = {
  id: 'm',
  name: 'Paddle tub',
  kind: 'mixer',
  capacityG: 8_000,
  deadG: null,
  platesMm: [],
  hornsMm: [],
  note: '',
};
const MEAT: Line[] = [started(10_000), [1, weighed('lean', 8_000)], [2, weighed('fat', 2_000)]];
const caseOf = (...more: Line[]): Case => ({
  recipe,
  rules: testRules(),
  state: foldBatch(recipe, entriesOf([...MEAT, ...more])),
  series: {},
  calibrations: {},
  nowS: 3600,
});
const sheetOf = (c: Case, learned = NOTHING, machines: Machine[] = []) => {
  const { lines, batterG } = dosesOf(c, SCALES);
  return makingSheet({ c, lines, batterG, learned, machines });
};

test('the bench work of the way, in its order, with what goes in and how much', () => {
  const { rows } = sheetOf(caseOf());
  expect(rows.map((r) => r.measured)).toEqual(['nothing', 'chill', 'pass', 'pass', 'trial']);
  const adds = rows.flatMap((r) => r.adds);
  expect([...new Set(adds.map((a) => a.name))].sort()).toEqual(
    ['Cure #1', 'Salt', 'Black pepper', 'Ice water'].sort(),
  );
  for (const a of adds.filter((x) => !x.isCure)) expect(a.amounts[0]!.g).toBeGreaterThan(0);
  /* Nobody has read the label of the cure yet: no figure stands for it. */
  expect(adds.find((a) => a.isCure)!.amounts).toEqual([{ load: null, g: null }]);
});

test('what was done says when, by whom and how warm; what was done too early says so', () => {
  const tick: Line = [60, { kind: 'step_ticked', stepId: grind.id, beforeC: 1, tempC: 3 }, 'Bo'];
  const row = sheetOf(caseOf(tick)).rows.find((r) => r.stepId === grind.id)!;
  expect(row.open).toEqual([]);
  expect(row.ticks[0]).toMatchObject({ atS: 60, beforeC: 1, tempC: 3, by: 'Bo', late: false });
  const early = sheetOf(caseOf([50, { kind: 'step_ticked', stepId: mix.id }], tick));
  expect(early.rows.find((r) => r.stepId === mix.id)!.ticks[0]!.late).toBe(true);
});

test('a pass is learned from passes of its own kind, class and machine only', () => {
  const warm = learnMachine(Array.from({ length: 40 }, () => ({ beforeC: 2, afterC: 7 })));
  const rowOf = (machines: Learned['machines']) =>
    sheetOf(caseOf(), { ...NOTHING, machines }).rows.find((r) => r.stepId === grind.id)!
      .machines[0]!;
  expect(rowOf({ [passKey(recipe, grind, null)]: warm }).learned.passes).toBe(40);
  expect(rowOf({ [passKey(recipe, grind, 'another')]: warm }).learned.passes).toBe(0);
  expect(rowOf({ [passKey(recipe, mix, null)]: warm }).learned.passes).toBe(0);
});

test('a tub of 8 kg asks for two loads; each line is weighed for each of them, and the sum is the whole', () => {
  const before = sheetOf(caseOf(), NOTHING, [mixer]);
  expect(before.bowls).toEqual([{ id: 'm', name: 'Paddle tub', capacityG: 8_000, loads: 2 }]);
  expect(before.loadsOpen).toBe(true);
  const c = caseOf([10, { kind: 'loads_set', loads: 2 }]);
  const { lines } = dosesOf(c, SCALES);
  const whole = dosesOf(caseOf(), SCALES).lines;
  for (const l of whole.filter((x) => x.kind !== 'meat')) {
    const own = lines.filter((x) => x.lineId === l.lineId);
    expect(own.map((x) => x.load)).toEqual([1, 2]);
    const sum = own.reduce((g, x) => g + x.doseG, 0);
    expect(Math.abs(sum - l.targetG)).toBeLessThanOrEqual(l.kind === 'cure' ? 0.1 : 5);
  }
  expect(sheetOf(c).rows.find((r) => r.stepId === mix.id)!.open).toEqual([1, 2]);
  expect(sheetOf(c).rows.find((r) => r.stepId === grind.id)!.open).toEqual([null]);
});

test('what goes in is what was weighed, load by load', () => {
  const c = caseOf(
    [10, { kind: 'loads_set', loads: 2 }],
    [20, weighed('pepper', 17, { load: 1 })],
    [21, weighed('cure', 10, { load: 1 })],
    [22, weighed('cure', 10, { load: 2 })],
    [23, { kind: 'cure_checked', weighedId: 'e5', readingG: 10, method: 'second_person' }, 'Ben'],
  );
  const mixed = sheetOf(c).rows.find((r) => r.stepId === mix.id)!;
  const of = (lineId: string) => mixed.adds.find((a) => a.lineId === lineId)!.amounts;
  expect(of('pepper')).toEqual([
    { load: 1, g: 17 },
    { load: 2, g: 15 },
  ]);
  /* Before the second look the first reading is out of sight. */
  expect(of('cure')).toEqual([
    { load: 1, g: 10 },
    { load: 2, g: null },
  ]);
});

test('a mixing row says what was not weighed for each load that it is open for', () => {
  const unweighed = (...more: Line[]) =>
    sheetOf(caseOf(...more)).rows.find((r) => r.stepId === mix.id)!.unweighed;
  expect(unweighed()).toEqual([
    { load: null, names: ['Cure #1', 'Salt', 'Black pepper', 'Ice water'] },
  ]);
  const cure = (load: number) => weighed('cure', 9.6, { load, nitriteFraction: 0.0625 });
  const loads: Line[] = [
    [10, { kind: 'loads_set', loads: 2 }],
    [20, cure(1)],
    [21, cure(2)],
  ];
  const rest = (['salt', 'pepper', 'water'] as const).map((id, i): Line => [
    30 + i,
    weighed(id, 80, { load: 1 }),
  ]);
  expect(unweighed(...loads, ...rest)).toEqual([
    { load: 2, names: ['Salt', 'Black pepper', 'Ice water'] },
  ]);
});

test('several weighings of one load stand together, each load by itself', () => {
  const c = caseOf(
    [10, { kind: 'loads_set', loads: 2 }],
    [20, weighed('pepper', 10, { load: 1 })],
    [21, weighed('pepper', 5, { load: 1, more: true })],
  );
  const { lines } = dosesOf(c, SCALES);
  const found = weighedByKey(lines, c.state);
  expect(found['pepper#1']).toMatchObject({ amountG: 15, times: 2 });
  expect(found['pepper#2']).toBeUndefined();
  expect(lines.map(lineKey)).toContain('pepper#2');
  expect(makingPlan(recipe, testRules().making.body)).not.toHaveLength(0);
});
