import type { Recipe } from '@/core';

/** A recipe of which every label was read: what names no allergen has none. */
export const labelsRead = <R extends Recipe>(recipe: R): R => ({
  ...recipe,
  additions: recipe.additions.map((a) =>
    a.kind === 'water' ? a : { ...a, allergens: a.allergens ?? [] },
  ),
});
