import fc from 'fast-check';
import { anyRecipe } from '../testing/arbitrary';
import { testRules } from '../testing/recipe';
import { batterFromCasing, casingLength } from './casing-length';
import { basisOf, compose } from './compose';
import { declareIngredients } from './declaration';
import { diffRecipes } from '../review/diff-recipes';
import { ppmFromWeighed } from './dose-cure';
import { recipeFigures } from './figures';
import { judgeFormula } from '../review/findings';
import { meatFor, plainSalt, scaleRecipe } from './scale-recipe';
import { applySchool, offeredSchools } from '../review/schools/apply-school';
import { runSheet } from '../route/sheet';
import { SCHOOL_QUESTIONS } from '../recipe/school-questions';

const RUN = { seed: 20261123, numRuns: 200 };
const mass = fc.double({ min: 500, max: 500_000, noNaN: true });
const near = (a: number, b: number) =>
  expect(Math.abs(a - b)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(a), Math.abs(b)));

test('weighing the cure of any recipe gives its ppm back, on its own basis', () => {
  fc.assert(
    fc.property(anyRecipe, mass, (recipe, meatG) => {
      const c = compose(recipe, meatG);
      const basisG = basisOf(c, recipe.cure!.basis ?? 'meat_block');
      const { nitriteFraction, targetPpm } = recipe.cure!;
      near(ppmFromWeighed({ basisG, cureG: c.cureG, nitriteFraction }) / targetPpm, 1);
    }),
    RUN,
  );
});

test('salt adds up: cure, additions and plain salt are the salt that is said', () => {
  fc.assert(
    fc.property(anyRecipe, mass, (recipe, meatG) => {
      const c = compose(recipe, meatG);
      const { nitriteFraction, nitrateFraction } = recipe.cure!;
      const cureSaltG = c.cureG * (1 - nitriteFraction - nitrateFraction);
      near((cureSaltG + c.saltFromOthersG + c.plainSaltG) / meatG, c.saltFraction);
      if (c.conflict === null) near(c.saltFraction, recipe.totalSaltFraction);
      else expect(c.saltFraction).toBeGreaterThan(recipe.totalSaltFraction);
    }),
    RUN,
  );
});

test('nothing is lost between the lines and the batter', () => {
  fc.assert(
    fc.property(anyRecipe, mass, (recipe, meatG) => {
      const sheet = scaleRecipe(recipe, { meatG });
      const lines = sheet.lines.reduce((sum, l) => sum + l.targetG, 0);
      expect(Math.abs(lines - sheet.batterG)).toBeLessThan(1e-8 * meatG + 1e-6);
    }),
    RUN,
  );
});

test('twice the meat is twice of everything', () => {
  fc.assert(
    fc.property(anyRecipe, mass, (recipe, meatG) => {
      const [one, two] = [compose(recipe, meatG), compose(recipe, 2 * meatG)];
      for (const key of ['cureG', 'plainSaltG', 'additionsG', 'batterG', 'finishedG'] as const)
        near(two[key], 2 * one[key]);
      near(two.saltFraction, one.saltFraction);
    }),
    RUN,
  );
});

test('whatever is known, the meat it leads to comes back to it', () => {
  fc.assert(
    fc.property(anyRecipe, mass, (recipe, amountG) => {
      near(scaleRecipe(recipe, { finishedG: amountG }).finishedG / amountG, 1);
      near(scaleRecipe(recipe, { batterG: amountG }).batterG / amountG, 1);
      const casingM = amountG / 1000;
      const { batterG } = scaleRecipe(recipe, { casingM });
      const { diameterMm } = recipe.casing;
      near(casingLength({ batterG, diameterMm, wasteFraction: 0 }).metres / casingM, 1);
      near(batterFromCasing({ metres: casingM, diameterMm, wasteFraction: 0 }) / batterG, 1);
    }),
    RUN,
  );
});

test('the scarcest trim decides: no trim is asked for more than there is', () => {
  fc.assert(
    fc.property(anyRecipe, fc.array(mass, { minLength: 5, maxLength: 5 }), (recipe, stock) => {
      const trims = Object.fromEntries(recipe.meat.map((m, i) => [m.id, stock[i]!]));
      const meatG = meatFor(recipe, { trims });
      const used = recipe.meat.map((m) => (m.share * meatG) / trims[m.id]!);
      expect(Math.max(...used)).toBeCloseTo(1, 9);
    }),
    RUN,
  );
});

test('plain salt follows what the cure on the scale really brings', () => {
  fc.assert(
    fc.property(
      anyRecipe,
      mass,
      fc.double({ min: 0.5, max: 1.5, noNaN: true }),
      (r, meatG, off) => {
        const c = compose(r, meatG);
        const poured = c.cureG * off;
        const saltShare = 1 - r.cure!.nitriteFraction - r.cure!.nitrateFraction;
        const change = plainSalt(r, meatG, c.cureG) - plainSalt(r, meatG, poured);
        expect(change).toBeCloseTo((poured - c.cureG) * saltShare, 4);
      },
    ),
    RUN,
  );
});

test('the declaration is in falling order, complete, and carries every allergen', () => {
  fc.assert(
    fc.property(anyRecipe, (recipe) => {
      const lines = declareIngredients(recipe);
      const masses = lines.map((l) => l.massG);
      expect(masses).toEqual([...masses].sort((a, b) => b - a));
      near(
        masses.reduce((s, m) => s + m, 0),
        compose(recipe, 1000).batterG,
      );
      const given = new Set(
        recipe.additions.filter((a) => a.fraction > 0).flatMap((a) => a.allergens ?? []),
      );
      expect(new Set(lines.flatMap((l) => l.allergens))).toEqual(given);
    }),
    RUN,
  );
});

test('figures are finite or null, and every finding that is not fine lies outside its limits', () => {
  const rules = testRules();
  fc.assert(
    fc.property(anyRecipe, (recipe) => {
      const figures = recipeFigures(recipe);
      for (const value of Object.values(figures))
        if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true);
      for (const f of judgeFormula({ recipe, figures, rules })) {
        if (f.min === undefined && f.max === undefined) continue;
        const outside = f.value < (f.min ?? -Infinity) || f.value > (f.max ?? Infinity);
        if (f.level === 'fine') expect(outside).toBe(false);
      }
    }),
    RUN,
  );
});

test('a recipe differs in nothing from itself; what one way adds, the other takes away', () => {
  fc.assert(
    fc.property(anyRecipe, anyRecipe, (a, b) => {
      expect(diffRecipes(a, a)).toEqual([]);
      const there = diffRecipes(a, b);
      const back = diffRecipes(b, a);
      expect(back).toHaveLength(there.length);
      const key = (x: unknown, y: unknown) => JSON.stringify([x, y]);
      expect(back.map((c) => key(c.to, c.from)).sort()).toEqual(
        there.map((c) => key(c.from, c.to)).sort(),
      );
    }),
    { ...RUN, numRuns: 60 },
  );
});

test('no school touches meat, salt, cure or an amount; every addition is added once', () => {
  fc.assert(
    fc.property(anyRecipe, fc.constantFrom(...SCHOOL_QUESTIONS), fc.nat(), (recipe, q, pick) => {
      const offered = offeredSchools(recipe, q);
      if (offered.length === 0) return;
      const next = applySchool(recipe, q, offered[pick % offered.length]!);
      expect(next.meat).toEqual(recipe.meat);
      expect(next.cure).toEqual(recipe.cure);
      expect(next.totalSaltFraction).toBe(recipe.totalSaltFraction);
      expect(next.additions.map((a) => [a.id, a.fraction])).toEqual(
        recipe.additions.map((a) => [a.id, a.fraction]),
      );
      const added = runSheet(next).flatMap((s) => s.adds.map((a) => a.name));
      expect(added.sort()).toEqual(recipe.additions.map((a) => a.name).sort());
    }),
    RUN,
  );
});
