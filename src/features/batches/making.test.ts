import { foldBatch, routeOf, scaleRecipe, type Case } from '@/core';
import { entriesOf, started, weighed, type Line } from '@/core/testing/batch';
import { testRecipe, testRules } from '@/core/testing/recipe';
import { makingSheet, passKey } from './making';

const recipe = testRecipe();
const route = routeOf(recipe);
const grind = route.find((s) => s.kind === 'grind')!;
const { lines } = scaleRecipe(recipe, { meatG: 10_000 }, { scales: [] });
const caseOf = (...more: Line[]): Case => ({
  recipe,
  rules: testRules(),
  state: foldBatch(recipe, entriesOf([started(10_000), [1, weighed('lean', 8_000)], ...more])),
  series: {},
  calibrations: {},
  nowS: 3600,
});

test('the bench work of the way, in its order, with what goes in and how much', () => {
  const { rows } = makingSheet(caseOf(), lines, {});
  expect(rows.map((r) => r.measured)).toEqual(['nothing', 'chill', 'pass', 'pass', 'nothing']);
  const adds = rows.flatMap((r) => r.adds);
  expect(adds.map((a) => a.name)).toEqual(recipe.additions.map((a) => a.name));
  for (const a of adds) expect(a.doseG).toBeGreaterThan(0);
});

test('what was done says when, by whom and how warm', () => {
  const tick: Line = [60, { kind: 'step_ticked', stepId: grind.id, beforeC: 1, tempC: 3 }, 'Bo'];
  const row = makingSheet(caseOf(tick), lines, {}).rows.find((r) => r.stepId === grind.id)!;
  expect(row.done).toMatchObject({ atS: 60, beforeC: 1, tempC: 3, by: 'Bo' });
});

test('a pass is learned from passes of its own kind only', () => {
  const warm = Array.from({ length: 40 }, () => ({ beforeC: 2, afterC: 7 }));
  const rowOf = (earlier: Record<string, typeof warm>) =>
    makingSheet(caseOf(), lines, earlier).rows.find((r) => r.stepId === grind.id)!.work!;
  expect(rowOf({ [passKey(grind)]: warm })).toMatchObject({ passes: 40 });
  expect(rowOf({ [passKey(grind)]: warm }).jPerG).toBeGreaterThan(14);
  expect(rowOf({ 'mix:': warm }).passes).toBe(0);
});
