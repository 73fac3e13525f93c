import fc from 'fast-check';
import { compose, routed } from '@/core';
import { anyRecipe } from '@/core/testing/arbitrary';
import { recipeSchema } from './contract';
import { convertDraft } from './convert-draft';
import { toDraft } from './draft';
import { recipeFromCsv, recipeFromJson, recipeToCsv, recipeToJson } from './exchange';
import { fromDraft } from './read-draft';

const RUN = { seed: 20261123, numRuns: 150 };
const system = fc.constantFrom('metric' as const, 'us' as const);

test('any recipe is taken by the contract and comes back from JSON to the last digit', () => {
  fc.assert(
    fc.property(anyRecipe, (recipe) => {
      expect(recipeSchema.safeParse(recipe).error?.issues).toBeUndefined();
      expect(recipeFromJson(recipeToJson(recipe))).toEqual({ ok: true, recipe, notes: [] });
    }),
    RUN,
  );
});

test('salt and nitrite are conserved through a table', () => {
  fc.assert(
    fc.property(anyRecipe, (recipe) => {
      const back = recipeFromCsv(recipeToCsv(recipe));
      if (!back.ok) throw new Error(back.details.join('; '));
      const [was, is] = [compose(recipe, 10_000), compose(back.recipe, 10_000)];
      expect(is.cureG).toBeCloseTo(was.cureG, 6);
      expect(is.plainSaltG).toBeCloseTo(was.plainSaltG, 6);
      expect(is.saltFraction).toBeCloseTo(was.saltFraction, 9);
    }),
    RUN,
  );
});

test('through the form in either unit, and through a switch of units, nothing changes', () => {
  fc.assert(
    fc.property(anyRecipe, system, system, (recipe, first, second) => {
      const draft = toDraft(recipe, first);
      expect(fromDraft(draft, recipe)).toEqual(routed(recipe));
      expect(fromDraft(convertDraft(draft, second, recipe), recipe)).toEqual(routed(recipe));
    }),
    RUN,
  );
});
