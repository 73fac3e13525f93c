import { foldBatch } from '../logbook/fold';
import { routeOf } from '../route/adapter';
import { entriesOf, started, weighed, type Line } from '../testing/batch';
import { testRecipe, testRules } from '../testing/recipe';
import { makingPlan } from '../making/plan';
import { tooWarmNow } from './too-warm';

const recipe = testRecipe();
const plan = makingPlan(recipe, testRules().making.body);
const [GRIND, MIX] = (['grind', 'mix'] as const).map(
  (kind) => routeOf(recipe).find((s) => s.kind === kind)!.id,
);
const { outC, stopC } = plan.find((r) => r.step.id === GRIND)!.limits;
const done = (atS: number, stepId: string, tempC?: number, beforeC?: number): Line => [
  atS,
  {
    kind: 'step_ticked',
    stepId,
    ...(tempC === undefined ? {} : { tempC }),
    ...(beforeC === undefined ? {} : { beforeC }),
  },
];
const saidOf = (...lines: Line[]) =>
  tooWarmNow(
    foldBatch(
      recipe,
      entriesOf([
        started(10_000),
        [1, weighed('lean', 8_000)],
        [2, weighed('fat', 2_000)],
        ...lines,
      ]),
    ),
    plan,
  ).map((w) => [w.tempC, w.limitC, w.does]);

test.each<[string, Line[], unknown[]]>([
  ['inside its limit', [done(9, GRIND!, outC!)], []],
  ['over the usual', [done(9, GRIND!, outC! + 0.1)], [[outC! + 0.1, outC, 'chill_first']]],
  ['over the stop', [done(9, GRIND!, stopC! + 1)], [[stopC! + 1, stopC, 'stop_and_chill']]],
  ['gone on with once it was cold', [done(9, GRIND!, stopC! + 1), done(99, MIX!, 2, 1)], []],
  ['stuffed', [done(9, GRIND!, stopC! + 1), [50, { kind: 'step_done', step: 'stuff' }]], []],
])('what came out of a step, said for as long as it waits: %s', (_, lines, said) => {
  expect(saidOf(...lines)).toEqual(said);
});
