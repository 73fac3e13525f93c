import { partedRecipe } from '../../testing/outcomes';
import { fermentedRecipe, testRecipe, testRules } from '../../testing/recipe';
import { routeOf, routed, withRoute } from '../../route/adapter';
import { chillOf, plannedS, programOf } from '../../route/read';
import { runSheet } from '../../route/sheet';
import { recipeBlocks } from '../../schedule/recipe-blocks';
import { judgeFormula } from '../findings';
import { recipeFigures } from '../../formula/figures';
import type { Recipe } from '../../recipe/recipe';
import { coreTargetOf } from '../../recipe/stage-ends';
import { applySchool, offeredSchools } from './apply-school';
import { SCHOOLS, SCHOOL_QUESTIONS } from '../../recipe/school-questions';

const uncured: Recipe = { ...testRecipe(), cure: null };
const kinds = (r: Recipe) => programOf(r).map((s) => s.kind);
const findings = (r: Recipe) =>
  judgeFormula({ recipe: r, figures: recipeFigures(r), rules: testRules() });
const planned = (r: Recipe) =>
  recipeBlocks(r, testRules().cure_hold.body)
    .flatMap((b) => b.pieces)
    .reduce((s, p) => s + p.durationS, 0);

test.each(SCHOOL_QUESTIONS)(
  '%s: every school is remembered and leaves a recipe that stands',
  (q) => {
    for (const school of offeredSchools(fermentedRecipe(), q)) {
      const next = applySchool(fermentedRecipe(), q, school);
      expect(next.schools).toEqual({ [q]: school });
      expect(programOf(next).length).toBeGreaterThan(0);
      expect(new Set(programOf(next).map((s) => s.id)).size).toBe(programOf(next).length);
      expect(next.meat).toEqual(fermentedRecipe().meat);
    }
  },
);

test('a long rest makes the schedule longer, the same day shorter', () => {
  const long = planned(applySchool(testRecipe(), 'rest', 'long'));
  const night = planned(applySchool(testRecipe(), 'rest', 'overnight'));
  expect(long - night).toBe(24 * 3600);
});

test('the same day without accelerator is told that the hold is still needed', () => {
  const quick = applySchool(testRecipe(), 'rest', 'same_day');
  expect(findings(quick).find((f) => f.code === 'hold_needed')?.level).toBe('advisory');
});

test('seasoning moves to its place, and the steps say so', () => {
  const r = applySchool(testRecipe(), 'seasoning', 'before_grinding');
  expect(r.additions[0]!.place).toBe('before_grinding');
  expect(runSheet(r).find((s) => s.step.kind === 'grind')!.adds).toEqual([
    { name: 'Black pepper', place: 'before_grinding' },
  ]);
});

test('every addition is added exactly once, whatever the schools', () => {
  for (const seasoning of SCHOOLS.seasoning)
    for (const emulsifying of SCHOOLS.emulsifying) {
      const r = applySchool(
        applySchool(testRecipe(), 'seasoning', seasoning),
        'emulsifying',
        emulsifying,
      );
      const added = runSheet(r).flatMap((s) => s.adds.map((a) => a.name));
      expect(added.sort()).toEqual(r.additions.map((a) => a.name).sort());
    }
});

test('smoke then bath: a bath until the core, or by the clock of a minute a millimetre', () => {
  const bath = applySchool(testRecipe(), 'program', 'smoke_bath');
  expect(kinds(bath)).toEqual(['dry', 'smoke', 'bath']);
  expect(coreTargetOf(programOf(bath)[2]!)).toBe(70);
  const clock = applySchool(bath, 'bath_time', 'per_mm');
  expect(programOf(clock)[2]).toMatchObject({ plannedS: 38 * 60 });
  expect(coreTargetOf(programOf(clock)[2]!)).toBeUndefined();
  expect(findings(clock).map((f) => f.code)).toContain('no_cook');
});

test('a low pull aims lower; poultry aims higher', () => {
  const core = (r: Recipe) => coreTargetOf(programOf(r)[2]!);
  expect(core(applySchool(testRecipe(), 'end_point', 'low_pull'))).toBe(62);
  const duck = testRecipe();
  duck.meat[0]!.species = 'poultry';
  expect(core(applySchool(duck, 'end_point', 'high_pull'))).toBe(74);
});

test('fermenting puts its stage first and takes it away again', () => {
  const slow = applySchool(testRecipe(), 'fermentation', 'cool_slow');
  expect(kinds(slow)[0]).toBe('ferment');
  expect(slow.fermentation).toEqual({ targetPh: 5.1, floorPh: 4.9 });
  const plain = applySchool(slow, 'fermentation', 'none');
  expect(kinds(plain)).toEqual(kinds(testRecipe()));
  expect(plain.fermentation).toBeUndefined();
});

test.each([
  ['ferment_smoke_dry', ['ferment', 'dry', 'smoke', 'hang']],
  ['ferment_dry_smoke_cook', ['ferment', 'hang', 'dry', 'smoke', 'cook']],
  ['ferment_smoke_cook_dry', ['ferment', 'dry', 'smoke', 'cook']],
] as const)('order %s', (order, expected) =>
  expect(kinds(applySchool(fermentedRecipe(), 'order', order))).toEqual(expected),
);

test('without cure only what is safe without it is offered', () => {
  expect(offeredSchools(uncured, 'program')).toEqual(['hot_fast']);
  expect(offeredSchools(uncured, 'end_point')).toEqual(['high_pull']);
  expect(offeredSchools(uncured, 'fermentation')).toEqual(['none']);
  expect(offeredSchools(uncured, 'order')).toEqual([]);
  const hot = applySchool(uncured, 'program', 'hot_fast');
  expect(findings(hot).filter((f) => f.level === 'blocking')).toEqual([]);
});

test('chill, surface drying and bloom set their steps', () => {
  expect(chillOf(applySchool(testRecipe(), 'chill', 'cold_air'))).toHaveLength(1);
  expect(chillOf(applySchool(testRecipe(), 'chill', 'shower'))[0]).toEqual({
    medium: 'shower',
    plannedS: 1140,
  });
  const cooler = applySchool(testRecipe(), 'surface_drying', 'cooler');
  const dries = routeOf(cooler).filter((s) => s.kind === 'surface_dry');
  expect(dries.map((s) => [s.place, s.plannedS])).toEqual([
    ['cooler', 36_000],
    [undefined, 3600],
  ]);
  expect(plannedS(applySchool(testRecipe(), 'bloom', 'none'), 'bloom')).toBe(0);
});

test('an order says what the product is, and what its drying must reach', () => {
  const dry = applySchool(fermentedRecipe(), 'order', 'ferment_smoke_dry');
  expect(dry).toMatchObject({ outcome: 'dried', drying: { minLossFraction: 0.35 } });
  expect(chillOf(dry)).toEqual([]);
  const back = applySchool(dry, 'order', 'ferment_dry_smoke_cook');
  expect(back.outcome).toBeUndefined();
  expect(chillOf(back).length).toBeGreaterThan(0);
});

test('what is dried after its cook hangs in a place of its own, once it was chilled', () => {
  const after = applySchool(fermentedRecipe(), 'order', 'ferment_smoke_cook_dry');
  const kinds = routeOf(after).map((s) => s.kind);
  expect(kinds.slice(kinds.indexOf('pull'))).toEqual([
    'pull',
    'ice_bath',
    'cooler',
    'dry',
    'bloom',
    'pack',
  ]);
  const again = applySchool(after, 'order', 'ferment_smoke_cook_dry');
  expect(routeOf(again)).toEqual(routeOf(after));
});

test('another way of grinding and chopping keeps the times that somebody gave', () => {
  const first = routed(testRecipe());
  const timed = withRoute(
    first,
    first.route.map((s) => (s.kind === 'mix' ? { ...s, plannedS: 600 } : s)),
  );
  const fine = applySchool(timed, 'emulsifying', 'fine_plate');
  expect(routeOf(fine).map((s) => [s.kind, s.plannedS])).toEqual(
    expect.arrayContaining([
      ['grind', 0],
      ['mix', 600],
    ]),
  );
  expect(routeOf(fine).filter((s) => s.kind === 'grind')).toHaveLength(2);
});

test('what comes after the stuffing is each part’s own: no school is offered for all of them', () => {
  const open = SCHOOL_QUESTIONS.filter((q) => offeredSchools(partedRecipe(), q).length > 0);
  expect(open).toEqual(['rest', 'seasoning', 'grinding', 'emulsifying']);
});
