import type { Addition, Recipe } from '../recipe/recipe';
import { foldBatch } from '../logbook/fold';
import { routeOf, withRoute } from '../route/adapter';
import { entriesOf, started, weighed, type Line } from '../testing/batch';
import { driedRecipe } from '../testing/outcomes';
import { fermentedRecipe, testRecipe, testRules } from '../testing/recipe';
import { outOfOrder } from '../logbook/done';
import { makingClassOf, makingLimits } from './limits';
import { makingPlan } from './plan';
import { remindersOf, type ReminderCode } from '../bench/reminders';
import { blendsOfUnknownSalt, refuseStandIn } from './stand-in';

const rule = testRules().making.body;
const plus = (...more: Addition[]): Recipe => {
  const r = testRecipe();
  return { ...r, additions: [...r.additions, ...more] };
};
const emulsion: Recipe = {
  ...plus(
    { id: 'phos', name: 'Phosphate', kind: 'phosphate', fraction: 0.003 },
    { id: 'starch', name: 'Potato starch', kind: 'binder', fraction: 0.02 },
    { id: 'asc', name: 'Ascorbate', kind: 'accelerator', fraction: 0.0005 },
  ),
  schools: { emulsifying: 'cutter' },
};

test('an emulsion: lean with salt, cure, phosphate and ice first; binder and accelerator last; ice in thirds', () => {
  const chop = makingPlan(emulsion, rule).filter((r) => r.phase !== null);
  expect(chop.map((r) => r.phase)).toEqual(['first_chop', 'second_chop', 'last']);
  const names = chop.map((r) => r.adds.map((a) => a.lineId));
  expect(names).toEqual([
    ['cure', 'salt', 'water', 'phos'],
    ['pepper', 'water'],
    ['water', 'starch', 'asc'],
  ]);
  expect(chop.map((r) => r.limits.outC)).toEqual([9, 12, 12]);
  expect(chop[2]!.limits.fromC).toBe(4);
  const ice = chop.flatMap((r) => r.adds.filter((a) => a.lineId === 'water'));
  expect(ice.map((a) => a.portion)).toEqual([
    [1, 3],
    [2, 3],
    [3, 3],
  ]);
});

test('poultry has the lower ceiling; a place that the recipe gives is kept', () => {
  const duck: Recipe = {
    ...emulsion,
    meat: [{ id: 'd', name: 'Duck', species: 'poultry', share: 1 }],
  };
  expect(makingPlan(duck, rule).find((r) => r.phase === 'last')!.limits.outC).toBe(10);
  const placed = {
    ...emulsion,
    additions: emulsion.additions.map((a) =>
      a.id === 'asc' ? { ...a, place: 'first_chop' as const } : a,
    ),
  };
  expect(
    makingPlan(placed, rule)
      .find((r) => r.phase === 'first_chop')!
      .adds.map((a) => a.lineId),
  ).toContain('asc');
});

test('every pass with its plate, and what goes in between passes before the second', () => {
  const r = testRecipe();
  const between: Recipe = {
    ...r,
    additions: r.additions.map((a) =>
      a.id === 'pepper' ? { ...a, place: 'between_passes' as const } : a,
    ),
  };
  const plated = withRoute(
    between,
    routeOf(between).map((s) => (s.kind === 'grind' ? { ...s, plates: [10, 4.5] } : s)),
  );
  const passes = makingPlan(plated, rule).filter((x) => x.step.kind === 'grind');
  expect(passes.map((x) => [x.pass, x.plateMm])).toEqual([
    [0, 10],
    [1, 4.5],
  ]);
  expect(passes.map((x) => x.adds.map((a) => a.lineId))).toEqual([[], ['pepper']]);
});

test('nothing that the recipe adds is left out of the plan, and no portion is in it twice', () => {
  for (const r of [testRecipe(), emulsion, fermentedRecipe(), driedRecipe()]) {
    const adds = makingPlan(r, rule).flatMap((x) => x.adds);
    const shares = new Map<string, number>();
    for (const a of adds)
      shares.set(a.lineId, (shares.get(a.lineId) ?? 0) + 1 / (a.portion?.[1] ?? 1));
    for (const a of r.additions)
      expect([a.id, shares.get(a.id)]).toEqual([a.id, expect.closeTo(1, 9)]);
    expect(shares.get('salt')).toBeCloseTo(1, 9);
  }
});

test('limits follow what the product is', () => {
  expect(makingClassOf(testRecipe())).toBe('coarse');
  expect(makingClassOf(fermentedRecipe())).toBe('fine_dry');
  expect(makingClassOf(emulsion)).toBe('emulsion');
  expect(makingLimits(driedRecipe(), rule, { kind: 'grind' }).outC).toBe(1);
  expect(makingLimits(testRecipe(), rule, { kind: 'grind' })).toMatchObject({
    beforeC: 1,
    outC: 4,
    stopC: 7,
  });
  expect(makingLimits(testRecipe(), rule, { kind: 'trim' }).outC).toBeNull();
});

describe('reminders', () => {
  const cultured = plus(
    { id: 'cul', name: 'Culture', kind: 'culture', fraction: 0.0002 },
    { id: 'egg', name: 'Onion', kind: 'inclusion', fraction: 0.05 },
    { id: 'bin', name: 'Starch', kind: 'binder', fraction: 0.02 },
  );
  const MEAT: Line[] = [started(10_000), [0, weighed('lean', 8_000)], [1, weighed('fat', 2_000)]];
  const due = (lines: Line[], nowS = 100) => {
    const s = foldBatch(cultured, entriesOf([...MEAT, ...lines]));
    return remindersOf(cultured, s, rule, nowS);
  };
  const chill = routeOf(cultured).find((x) => x.kind === 'chill')!.id;
  test.each<[ReminderCode, Line[], number]>([
    ['raw_out', [], 4 * 3600],
    ['chill_over', [[60, { kind: 'batter_measured', stepId: chill, tempC: 5 }]], 1800],
    ['culture_ready', [[60, { kind: 'culture_started', lineId: 'cul' }]], 960],
    ['culture_stale', [[60, { kind: 'culture_started', lineId: 'cul' }]], 7260],
    [
      'culture_ready',
      [[60, { kind: 'culture_started', lineId: 'cul', readyS: 1800, staleS: 3600 }]],
      1860,
    ],
    [
      'culture_stale',
      [[60, { kind: 'culture_started', lineId: 'cul', readyS: 1800, staleS: 3600 }]],
      3660,
    ],
    ['binder_in', [[60, { kind: 'addition_ticked', lineId: 'bin' }]], 1860],
    [
      'fresh_part',
      [[60, { kind: 'fresh_part_made', lineId: 'egg', way: 'roasted', cookC: 80, cooledC: 3 }]],
      86_460,
    ],
    [
      'turn_mass',
      [
        [50, weighed('cure', 19.2)],
        [60, { kind: 'cure_hold_started', coolerC: 2 }],
      ],
      60 + 4 * 3600,
    ],
  ])('%s: is due, and silent once it is answered', (code, lines, dueS) => {
    const r = due(lines).find((x) => x.code === code)!;
    expect(Math.abs(r.dueS - dueS)).toBeLessThan(code === 'chill_over' ? 900 : 2);
    const answered: Line = [99, { kind: 'reminder_answered', key: r.key, text: 'done' }];
    expect(due([...lines, answered]).map((x) => x.key)).not.toContain(r.key);
  });
  test('what went in is no longer waited for', () => {
    const culture: Line[] = [
      [60, { kind: 'culture_started', lineId: 'cul' }],
      [70, { kind: 'addition_ticked', lineId: 'cul' }],
    ];
    expect(due(culture).map((r) => r.code)).toEqual(['raw_out']);
    expect(remindersOf(cultured, foldBatch(cultured, entriesOf(MEAT)), undefined, 0)).toEqual([]);
  });
});

test('work in its order is not out of order, whichever load is first', () => {
  const plan = makingPlan(testRecipe(), rule);
  const MIX = plan.find((r) => r.step.kind === 'mix')!.step.id;
  const TRIAL = plan.find((r) => r.step.kind === 'trial_cook')!.step.id;
  const lines: Line[] = [
    started(10_000),
    [1, { kind: 'loads_set', loads: 2 }],
    [2, { kind: 'step_ticked', stepId: MIX, load: 1 }],
    [3, { kind: 'step_ticked', stepId: TRIAL, load: 1 }],
    [4, { kind: 'step_ticked', stepId: MIX, load: 2 }],
  ];
  const s = foldBatch(testRecipe(), entriesOf(lines));
  expect(outOfOrder(s, plan)).toEqual([]);
  const late = foldBatch(
    testRecipe(),
    entriesOf([...lines, [5, { kind: 'step_ticked', stepId: plan[0]!.step.id }]]),
  );
  expect(outOfOrder(late, plan)).toHaveLength(3);
});

test('a grade of the same may stand in, nothing measured may', () => {
  expect(refuseStandIn(emulsion, 'pepper', 'Tellicherry pepper')).toBeNull();
  expect(refuseStandIn(emulsion, 'pepper', 'black mustard')).toBe('other_ingredient');
  expect(refuseStandIn(emulsion, 'phos', 'Baking powder')).toBe('no_measured_form');
  expect(refuseStandIn(emulsion, 'asc', 'Lemon juice')).toBe('no_measured_form');
  expect(refuseStandIn(emulsion, 'cure', 'Himalayan pink salt')).toBe('no_measured_form');
  expect(refuseStandIn(emulsion, 'nothing', 'x')).toBe('other_ingredient');
});

test('a bought mix whose label nobody read is of unknown salt; one that says so is not', () => {
  const blend: Addition = { id: 'b', name: 'Garden seasoning', kind: 'seasoning', fraction: 0.01 };
  expect(blendsOfUnknownSalt(plus(blend)).map((a) => a.id)).toEqual(['b']);
  expect(blendsOfUnknownSalt(plus({ ...blend, saltFraction: 0 }))).toEqual([]);
  expect(blendsOfUnknownSalt(testRecipe())).toEqual([]);
});
