import { testRecipe } from '../testing/recipe';
import { pickScale, plainSalt, roundToScale, scaleRecipe, type Scale } from './scale-recipe';

const SCALES: Scale[] = [
  { id: 'fine', name: 'Fine', capacityG: 500, resolutionG: 0.1 },
  { id: 'bench', name: 'Bench', capacityG: 30_000, resolutionG: 5 },
];
const grams = (meatG: number, id: string, cureG?: number) =>
  scaleRecipe(testRecipe(), meatG, SCALES, cureG).find((l) => l.lineId === id)!;

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

test('a curing salt stronger in salt than wanted leaves no plain salt line', () => {
  const recipe = {
    ...testRecipe(),
    cure: { name: 'Curing salt', nitriteFraction: 0.006, nitrateFraction: 0, targetPpm: 120 },
  };
  expect(scaleRecipe(recipe, 10_000, SCALES).map((l) => l.lineId)).not.toContain('salt');
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

test.each([0, -1, Number.NaN, Infinity])('refuses %d g of meat', (g) => {
  expect(() => scaleRecipe(testRecipe(), g, SCALES)).toThrow(/meatG/);
});
