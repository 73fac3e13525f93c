import { CURE_LINE, casingFacts, unweighedLines, type Recipe } from '@/core';
import type { BatchState } from '@/core';
import type { Missing } from '@/ui/missing-question';
import { lineName } from '@/words/line-name';

/** What is missing and is no line of the recipe. */
export const SECOND_LOOK = 'second-look';
export const CASING_SOAK = 'casing-soak';

/** What a batch misses before its cure hold, its stuffing or its house. */
export function missingOf(recipe: Recipe, state: BatchState): Missing {
  const lines = unweighedLines(recipe, state).map((id) => ({ id, name: lineName(recipe, id) }));
  const look =
    recipe.cure && state.weighed[CURE_LINE] && !state.cureCheck?.matches
      ? [{ id: SECOND_LOOK, name: 'the second look at the cure' }]
      : [];
  return [...lines, ...look];
}

/** What it misses before its stuffing: a casing that is used wet and was never put into its water besides. */
export function missingBeforeStuffing(recipe: Recipe, state: BatchState): Missing {
  const isDry = casingFacts(recipe.casing)?.soak != null && state.soaks.length === 0;
  const soak = { id: CASING_SOAK, name: `the casing, ${recipe.casing.name}, into its water` };
  return [...missingOf(recipe, state), ...(isDry ? [soak] : [])];
}
