import fc from 'fast-check';
import { testRecipe } from '../testing/recipe';
import {
  CURE_LINE,
  meatFor,
  pickScale,
  plainSalt,
  roundToScale,
  scaleRecipe,
  type Scale,
  type ScaleBy,
} from './scale-recipe';
import type { Recipe } from '../recipe/recipe';

const SCALES: Scale[] = [
  { id: 'fine', name: 'Fine', capacityG: 500, resolutionG: 0.1 },
  { id: 'bench', name: 'Bench', capacityG: 30_000, resolutionG: 5 },
];
const grams = (meatG: number, id: string, weighedCureG?: number) =>
  scaleRecipe(testRecipe(), { meatG }, { scales: SCALES, weighedCureG }).lines.find(
    (l) => l.lineId === id,
  )!;

test('every dose follows the meat on the day', () => {
  expect(grams(30_000, 'cure').targetG).toBeCloseTo(57.6, 9);
  expect(grams(24_700, 'cure').targetG).toBeCloseTo(47.424, 9);
  expect(grams(24_700, 'cure').doseG).toBe(47.4);
});

test('plain salt is what the cure does not bring', () => {
  expect(plainSalt(testRecipe(), 30_000, 57.6)).toBeCloseTo(0.018 * 30_000 - 57.6 * 0.9375, 9);
  expect(grams(30_000, 'salt').targetG + 57.6 * 0.9375).toBeCloseTo(540, 9);
});

test('salt counts the cure that was weighed when it is known', () => {
  expect(grams(30_000, 'salt', 60).targetG).toBeCloseTo(540 - 60 * 0.9375, 9);
});

test('salt counts what a seasoning blend brings', () => {
  const recipe = testRecipe();
  recipe.additions[0]!.saltFraction = 0.5;
  expect(plainSalt(recipe, 30_000, 0)).toBeCloseTo((0.018 - 0.0015) * 30_000, 9);
});

test('a curing salt stronger in salt than wanted leaves no plain salt line', () => {
  const recipe = {
    ...testRecipe(),
    cure: { name: 'Curing salt', nitriteFraction: 0.006, nitrateFraction: 0, targetPpm: 120 },
  };
  expect(scaleRecipe(recipe, { meatG: 10_000 }).lines.map((l) => l.lineId)).not.toContain('salt');
});

test.each([
  [57.6, 'fine'],
  [500, 'fine'],
  [500.1, 'bench'],
  [40_000, null],
])('%d g goes on scale %s', (mass, id) => expect(pickScale(SCALES, mass)?.id ?? null).toBe(id));

test.each([
  [19.2049, 0.1, 19.2],
  [19.2, 0.1, 19.2],
  [0.333, 0.01, 0.33],
  [1237, 5, 1235],
  [1237, 50, 1250],
])('%d g on a %d g scale reads %d', (mass, resolution, shown) =>
  expect(roundToScale(mass, resolution)).toBe(shown),
);

test('a dose that the scale cannot resolve to 2 % is marked', () => {
  const coarse = scaleRecipe(testRecipe(), { meatG: 10_000 }, { scales: [SCALES[1]!] });
  expect(coarse.lines.find((l) => l.lineId === 'cure')).toMatchObject({ coarse: true, doseG: 20 });
  expect(coarse.lines.find((l) => l.lineId === 'lean')).toMatchObject({ coarse: false });
});

describe('what is known decides the meat', () => {
  const sheet = scaleRecipe(testRecipe(), { meatG: 20_000 });
  test.each<[string, ScaleBy]>([
    ['meat', { meatG: 20_000 }],
    ['finished weight', { finishedG: sheet.finishedG }],
    ['batter', { batterG: sheet.batterG }],
    ['scarcest trim', { trims: { lean: 16_000, fat: 9_000 } }],
  ])('%s', (_name, by) => expect(meatFor(testRecipe(), by)).toBeCloseTo(20_000, 6));

  test('casing: 20 m of 38 mm take 23.8 kg of batter', () => {
    const meatG = meatFor(testRecipe(), { casingM: 20 });
    expect(scaleRecipe(testRecipe(), { meatG }).batterG).toBeCloseTo(23_816, 0);
  });

  test.each<[string, ScaleBy]>([
    ['0 g', { meatG: 0 }],
    ['no number', { meatG: Number.NaN }],
    ['less than nothing finished', { finishedG: -1 }],
    ['a trim that is not there', { trims: { unknown: 10 } }],
    ['no trim at all', { trims: {} }],
    ['no casing', { casingM: 0 }],
  ])('refuses %s', (_name, by) => expect(() => meatFor(testRecipe(), by)).toThrow(RangeError));
});

const withCure = (nitriteFraction: number, targetPpm: number): Recipe => ({
  ...testRecipe(),
  cure: { name: 'Cure', nitriteFraction, nitrateFraction: 0, targetPpm },
});
const SEED = { seed: 20261123 };
const recipes = fc
  .record({
    strength: fc.constantFrom(0.0625, 0.0588, 0.009, 0.006),
    ppm: fc.integer({ min: 20, max: 300 }),
  })
  .map(({ strength, ppm }) => withCure(strength, ppm));

test('property: scaling is linear in the meat, line by line', () => {
  fc.assert(
    fc.property(recipes, fc.double({ min: 100, max: 1e5, noNaN: true }), (recipe, meatG) => {
      const one = scaleRecipe(recipe, { meatG }).lines;
      const three = scaleRecipe(recipe, { meatG: 3 * meatG }).lines;
      expect(three.map((l) => l.lineId)).toEqual(one.map((l) => l.lineId));
      one.forEach((l, i) => expect(three[i]!.targetG / l.targetG).toBeCloseTo(3, 9));
    }),
    SEED,
  );
});

test('property: rounding moves no line further than half a division, so salt and nitrite neither', () => {
  fc.assert(
    fc.property(recipes, fc.double({ min: 1000, max: 25_000, noNaN: true }), (recipe, meatG) => {
      const sheet = scaleRecipe(recipe, { meatG }, { scales: SCALES });
      for (const l of sheet.lines)
        expect(Math.abs(l.roundingG)).toBeLessThanOrEqual(l.scale!.resolutionG / 2 + 1e-9);
      const cure = sheet.lines.find((l) => l.lineId === 'cure')!;
      const nitriteG = cure.doseG * recipe.cure!.nitriteFraction;
      const wanted = (recipe.cure!.targetPpm * meatG) / 1e6;
      const half = (cure.scale!.resolutionG / 2) * recipe.cure!.nitriteFraction;
      expect(Math.abs(nitriteG - wanted)).toBeLessThanOrEqual(half + 1e-9);
    }),
    SEED,
  );
});

describe('the sheet rounds inward at a limit', () => {
  const scale = { id: 'g', name: 'Kitchen', capacityG: 50_000, resolutionG: 1 };
  const at = (targetPpm: number): Recipe => ({
    ...testRecipe(),
    cure: { name: 'Cure #1', nitriteFraction: 0.0625, nitrateFraction: 0, targetPpm },
  });
  const dose = { basis: 'meat_block' as const, minPpm: 120, maxPpm: 156 };
  const cureOf = (recipe: Recipe, meatG: number, limits?: typeof dose) =>
    scaleRecipe(
      recipe,
      { meatG },
      { scales: [scale], ...(limits ? { dose: limits } : {}) },
    ).lines.find((l) => l.lineId === CURE_LINE)!.doseG;

  test('at the most and at the least', () => {
    expect(cureOf(at(156), 10_230)).toBe(26);
    expect(cureOf(at(156), 10_230, dose)).toBe(25);
    expect(cureOf(at(120), 10_180)).toBe(20);
    expect(cureOf(at(120), 10_180, dose)).toBe(20);
    expect(cureOf(at(120), 10_230, dose)).toBe(20);
  });

  test('property: what it says, weighed exactly, is within the limits with all that its scale can tell', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5_000, max: 60_000, noNaN: true }),
        fc.double({ min: 120, max: 156, noNaN: true }),
        (meatG, ppm) => {
          const doseG = cureOf(at(ppm), meatG, dose);
          const ppmOf = (g: number) => (g * 62_500) / meatG;
          expect(ppmOf(doseG + 0.5)).toBeLessThanOrEqual(156 + 1e-9);
          expect(ppmOf(doseG)).toBeGreaterThanOrEqual(120 - 1e-9);
        },
      ),
      { seed: 156 },
    );
  });
});
