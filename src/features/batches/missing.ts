import { CURE_LINE, unweighedLines, type Recipe } from '@/core';
import type { BatchState } from '@/core';
import type { Missing } from '@/ui/missing-question';
import { lineName } from '@/words/line-name';

export const SECOND_LOOK = 'second-look';

/** What a batch misses before its cure hold, its stuffing or its house. */
export function missingOf(recipe: Recipe, state: BatchState): Missing {
  const lines = unweighedLines(recipe, state).map((id) => ({ id, name: lineName(recipe, id) }));
  const look =
    recipe.cure && state.weighed[CURE_LINE] && !state.cureCheck?.matches
      ? [{ id: SECOND_LOOK, name: 'the second look at the cure' }]
      : [];
  return [...lines, ...look];
}
