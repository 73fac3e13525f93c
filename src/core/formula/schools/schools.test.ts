import { fermentedRecipe, testRecipe, testRules } from '../../testing/recipe';
import { recipeBlocks } from '../../schedule/recipe-blocks';
import { judgeFormula } from '../findings';
import { recipeFigures } from '../figures';
import type { Recipe } from '../recipe';
import { applySchool, offeredSchools } from './apply-school';
import { processSteps } from './process-steps';
import { SCHOOLS, SCHOOL_QUESTIONS } from './questions';

const uncured: Recipe = { ...testRecipe(), cure: null };
const kinds = (r: Recipe) => r.program.map((s) => s.kind);
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
      expect(next.program.length).toBeGreaterThan(0);
      expect(new Set(next.program.map((s) => s.id)).size).toBe(next.program.length);
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
  expect(processSteps(r).find((s) => s.code === 'grind_together')!.adds).toEqual([
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
      const added = processSteps(r).flatMap((s) => s.adds.map((a) => a.name));
      expect(added.sort()).toEqual(r.additions.map((a) => a.name).sort());
    }
});

test('smoke then bath: a bath until the core, or by the clock of a minute a millimetre', () => {
  const bath = applySchool(testRecipe(), 'program', 'smoke_bath');
  expect(kinds(bath)).toEqual(['dry', 'smoke', 'bath']);
  expect(bath.program[2]!.endCoreC).toBe(70);
  const clock = applySchool(bath, 'bath_time', 'per_mm');
  expect(clock.program[2]).toMatchObject({ plannedS: 38 * 60 });
  expect(clock.program[2]!.endCoreC).toBeUndefined();
  expect(findings(clock).map((f) => f.code)).toContain('no_cook');
});

test('a low pull aims lower; poultry aims higher', () => {
  expect(applySchool(testRecipe(), 'end_point', 'low_pull').program[2]!.endCoreC).toBe(62);
  const duck = testRecipe();
  duck.meat[0]!.species = 'poultry';
  expect(applySchool(duck, 'end_point', 'high_pull').program[2]!.endCoreC).toBe(74);
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
  ['ferment_smoke_cook_dry', ['ferment', 'dry', 'smoke', 'cook', 'hang']],
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

test('chill and surface drying set the process', () => {
  expect(applySchool(testRecipe(), 'chill', 'cold_air').process.chill).toHaveLength(1);
  expect(applySchool(testRecipe(), 'chill', 'shower').process.chill[0]).toEqual({
    medium: 'shower',
    plannedS: 900,
  });
  expect(applySchool(testRecipe(), 'surface_drying', 'cooler').process.surfaceDryS).toBe(36_000);
  expect(applySchool(testRecipe(), 'bloom', 'none').process.bloomS).toBe(0);
});
