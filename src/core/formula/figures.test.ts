import fc from 'fast-check';
import { hotRecipe } from '../testing/outcomes';
import { fermentedRecipe, testRecipe, testRules } from '../testing/recipe';
import { basisOf, compose } from './compose';
import { ppmFromWeighed } from './dose-cure';
import { declareIngredients } from './declaration';
import { recipeFigures } from './figures';
import { judgeFormula, type FindingCode } from '../review/findings';
import type { Addition, DoseBasis, Recipe } from '../recipe/recipe';

const SEED = { seed: 20261123 };
const addition = (change: Partial<Addition>): Addition => ({
  id: 'x',
  name: 'X',
  kind: 'seasoning',
  fraction: 0.01,
  ...change,
});

describe('compose', () => {
  test('batter is all that goes in; finished follows the yield', () => {
    const c = compose({ ...testRecipe(), expectedYield: 0.9 }, 10_000);
    expect(c.cureG).toBeCloseTo(19.2, 9);
    expect(c.plainSaltG).toBeCloseTo(162, 9);
    expect(c.batterG).toBeCloseTo(10_000 + 19.2 + 162 + 30 + 500, 9);
    expect(c.finishedG).toBeCloseTo(c.batterG * 0.9, 9);
  });

  test.each<[DoseBasis, number]>([
    ['meat_block', 0.0625],
    ['whole_batch', 0.0625],
    ['finished', 0.0625],
    ['whole_batch', 0.005],
    ['finished', 0.005],
  ])('ppm on the %s holds with a cure of %d', (basis, nitriteFraction) => {
    const cure = { name: 'C', nitriteFraction, nitrateFraction: 0, targetPpm: 120, basis };
    const c = compose({ ...testRecipe(), cure }, 10_000);
    const basisG = basisOf(c, basis);
    expect(c.basisG).toBeCloseTo(basisG, 4);
    expect(ppmFromWeighed({ basisG, cureG: c.cureG, nitriteFraction })).toBeCloseTo(120, 6);
  });

  test('a conflict is named and nothing goes below zero', () => {
    const cure = { name: 'C', nitriteFraction: 0.005, nitrateFraction: 0, targetPpm: 120 };
    const c = compose({ ...testRecipe(), cure }, 10_000);
    expect(c.conflict?.reason).toBe('cure_brings_too_much_salt');
    expect(c.plainSaltG).toBe(0);
    expect(c.saltFraction).toBeCloseTo(0.02388, 9);
  });

  test('refuses a ppm that the cure cannot reach in the whole batch', () => {
    const cure = { name: 'C', nitriteFraction: 0.001, nitrateFraction: 0, targetPpm: 1000 };
    expect(() => compose({ ...testRecipe(), cure: { ...cure, basis: 'whole_batch' } }, 1)).toThrow(
      /targetPpm/,
    );
  });
});

describe('recipeFigures', () => {
  const lean = { ...testRecipe() };
  lean.meat = [
    { id: 'a', name: 'Lean', species: 'pork', share: 0.75, fatFraction: 0.1, costPerKg: 6 },
    { id: 'b', name: 'Fat', species: 'pork', share: 0.25, fatFraction: 0.9, costPerKg: 2 },
  ];

  test('fat of the meat block by the lever rule', () =>
    expect(recipeFigures(lean).meatFatFraction).toBeCloseTo(0.3, 12));

  test('a missing fat figure makes no fat claim', () =>
    expect(recipeFigures(testRecipe())).toMatchObject({
      meatFatFraction: null,
      productFatFraction: null,
      addedWaterFraction: null,
    }));

  test('added water is what the finished product holds above four times its protein', () => {
    const f = recipeFigures({ ...lean, expectedYield: 1 });
    const protein = 700 * 0.212;
    const water = 700 * 0.765 + 50;
    expect(f.addedWaterFraction! * f.composed.finishedG).toBeCloseTo(
      water - 4 * protein < 0 ? 0 : water - 4 * protein,
      6,
    );
  });

  test('cost counts every line, and says which have none', () => {
    expect(recipeFigures(lean)).toMatchObject({
      rawCostPerKg: null,
      unpriced: ['Black pepper', 'Cure #1'],
    });
    const priced = {
      ...lean,
      additions: lean.additions.map((a) => ({ ...a, costPerKg: a.kind === 'water' ? 0 : 20 })),
      cure: { ...lean.cure!, costPerKg: 4 },
    };
    const f = recipeFigures(priced);
    const total = 0.75 * 6 + 0.25 * 2 + 0.003 * 20 + 0.00192 * 4;
    expect(f.rawCostPerKg).toBeCloseTo((total * 1000) / f.composed.batterG, 9);
    expect(f.finishedCostPerKg).toBeCloseTo((total * 1000) / f.composed.finishedG, 9);
  });

  test('6 g/kg of dextrose and 4 of table sugar: pH 5.0', () => {
    const f = recipeFigures(fermentedRecipe());
    expect(f.dextroseGPerKg).toBeCloseTo(8, 9);
    expect(f.finalPh).toBeCloseTo(5.0, 9);
  });
});

describe('declareIngredients', () => {
  test('meat by species, salt of cure and plain salt as one, nitrite by itself, allergens carried', () => {
    const recipe = testRecipe();
    recipe.additions.push(
      addition({
        id: 'm',
        name: 'Milk powder',
        kind: 'binder',
        fraction: 0.02,
        allergens: ['milk'],
      }),
    );
    const lines = declareIngredients(recipe);
    expect(lines.map((l) => l.name ?? l.code)).toEqual([
      'pork',
      'water',
      'Milk powder',
      'salt',
      'Black pepper',
      'sodium_nitrite',
    ]);
    expect(lines.find((l) => l.code === 'salt')!.massG).toBeCloseTo(18, 9);
    expect(lines.find((l) => l.code === 'sodium_nitrite')!.massG).toBeCloseTo(0.12, 9);
    expect(lines.find((l) => l.name === 'Milk powder')!.allergens).toEqual(['milk']);
  });

  test('property: always in descending order, and all of the batter', () => {
    const additions = fc.array(
      fc.record({
        fraction: fc.double({ min: 0, max: 0.5, noNaN: true }),
        kind: fc.constantFrom('seasoning', 'water', 'binder', 'inclusion'),
      }),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(additions, (raw) => {
        const recipe: Recipe = {
          ...testRecipe(),
          additions: raw.map((a, i) =>
            addition({ ...(a as Addition), id: `a${i}`, name: `A${i}` }),
          ),
        };
        const masses = declareIngredients(recipe).map((l) => l.massG);
        expect(masses).toEqual([...masses].sort((a, b) => b - a));
        const total = masses.reduce((s, m) => s + m, 0);
        expect(total).toBeCloseTo(compose(recipe, 1000).batterG, 6);
      }),
      SEED,
    );
  });
});

describe('judgeFormula', () => {
  const found = (recipe: Recipe, code: FindingCode, codes = {}) =>
    judgeFormula({ recipe, figures: recipeFigures(recipe), rules: testRules(codes) }).find(
      (f) => f.code === code,
    );
  const cured = (change: Partial<NonNullable<Recipe['cure']>>): Recipe => ({
    ...testRecipe(),
    cure: { ...testRecipe().cure!, ...change },
  });
  const withAddition = (change: Partial<Addition>): Recipe => ({
    ...testRecipe(),
    additions: [...testRecipe().additions, addition(change)],
  });
  const fatty = (fatFraction: number): Recipe => ({
    ...testRecipe(),
    meat: [{ id: 'm', name: 'M', species: 'pork', share: 1, fatFraction }],
  });

  test.each<[string, Recipe, FindingCode, string]>([
    ['120 ppm', testRecipe(), 'dose', 'fine'],
    ['157 ppm', cured({ targetPpm: 157 }), 'dose', 'blocking'],
    ['119 ppm', cured({ targetPpm: 119 }), 'dose', 'blocking'],
    ['a weak cure', cured({ nitriteFraction: 0.005 }), 'salt_conflict', 'blocking'],
    [
      'a weak cure, accepted',
      cured({ nitriteFraction: 0.005, acceptsItsSalt: true }),
      'salt_conflict',
      'advisory',
    ],
    ['1.8 % salt', testRecipe(), 'salt', 'fine'],
    [
      'a bought mix of unknown salt',
      withAddition({ kind: 'seasoning', name: 'Garden seasoning' }),
      'blend_salt',
      'blocking',
    ],
    [
      'a label that nobody has read',
      withAddition({ labelUnread: true }),
      'label_unread',
      'blocking',
    ],
    [
      'eaten hot and never served',
      { ...testRecipe(), outcome: 'eaten_hot' },
      'no_serving',
      'blocking',
    ],
    ['0.8 % salt', { ...testRecipe(), totalSaltFraction: 0.008 }, 'salt', 'advisory'],
    [
      '547 ppm accelerator',
      withAddition({ kind: 'accelerator', fraction: 547e-6 }),
      'accelerator',
      'fine',
    ],
    [
      '600 ppm accelerator',
      withAddition({ kind: 'accelerator', fraction: 6e-4 }),
      'accelerator',
      'blocking',
    ],
    ['5 % binder', withAddition({ kind: 'binder', fraction: 0.05 }), 'binder', 'advisory'],
    [
      '0.6 % phosphate',
      withAddition({ kind: 'phosphate', fraction: 0.006 }),
      'phosphate',
      'blocking',
    ],
    ['20 % fat', fatty(0.2), 'fat', 'fine'],
    ['32 % fat', fatty(0.32), 'fat', 'advisory'],
    ['48 % fat and water', fatty(0.48), 'fat_water', 'advisory'],
    ['cure #2 in a short process', cured({ nitrateFraction: 0.04 }), 'nitrate_short', 'advisory'],
    ['no cure, slow smoke', { ...testRecipe(), cure: null }, 'uncured_slow', 'blocking'],
    [
      'no core target',
      { ...testRecipe(), program: testRecipe().program.slice(0, 2) },
      'no_cook',
      'advisory',
    ],
    [
      'sheep casing of 38 mm',
      { ...testRecipe(), casing: { name: 'S', diameterMm: 38, kind: 'sheep' } },
      'casing_range',
      'advisory',
    ],
    [
      'plastic in smoke',
      { ...testRecipe(), casing: { name: 'P', diameterMm: 50, kind: 'plastic' } },
      'casing_smoke',
      'advisory',
    ],
    ['little sugar', { ...fermentedRecipe(), additions: [] }, 'ph', 'blocking'],
    ['enough sugar', fermentedRecipe(), 'ph', 'fine'],
    ['18 h at 36 °C', fermentedRecipe(), 'degree_hours', 'fine'],
  ])('%s', (_name, recipe, code, level) => expect(found(recipe, code)?.level).toBe(level));

  test('eaten hot, with its serving at the end', () =>
    expect(found(hotRecipe(), 'no_serving')).toBeUndefined());

  test('60 h at 36 °C are 1224 degree-hours, limit 556', () => {
    const recipe = fermentedRecipe();
    recipe.program[0] = { ...recipe.program[0]!, plannedS: 60 * 3600 };
    expect(found(recipe, 'degree_hours')).toMatchObject({ level: 'blocking', max: 556 });
  });

  test('a low pull passes by logs and not by end point', () => {
    const low = testRecipe();
    low.program[2] = { ...low.program[2]!, endCoreC: 62 };
    expect(found(low, 'low_end_point')?.level).toBe('fine');
    expect(found(low, 'low_end_point', { lethality: 'lethality-end-point' })?.level).toBe(
      'blocking',
    );
  });

  test('a limit in nitrite ion on the whole batch is held against the same dose', () => {
    const dose = found(testRecipe(), 'dose', { dose: 'dose-eu-2025-ion' })!;
    expect(dose.max).toBeCloseTo(119.98, 2);
    expect(dose.value).toBeCloseTo((120 * 10_000) / 10_711.2, 6);
    expect(dose.level).toBe('fine');
  });
});
