import type { Recipe } from '@/core';

/** What a line of a recipe is called. */
export const lineName = (recipe: Recipe, id: string): string =>
  id === 'cure'
    ? (recipe.cure?.name ?? 'Cure')
    : id === 'salt'
      ? 'Salt'
      : ([...recipe.meat, ...recipe.additions].find((x) => x.id === id)?.name ?? id);
