import { casingLength, compose, recipeFigures, type Recipe, type RecipeFigures } from '@/core';

/** Casing that a kilogram of meat block needs, m. */
function casingPerKg(recipe: Recipe): number {
  const { diameterMm, wasteFraction = 0 } = recipe.casing;
  const { batterG } = compose(recipe, 1000);
  return casingLength({ batterG, diameterMm, wasteFraction }).metres;
}

/** Figures of a recipe with its casing's cost; null while a figure is still missing. */
export function figuresOf(recipe: Recipe): RecipeFigures | null {
  try {
    return recipeFigures(recipe, casingPerKg(recipe));
  } catch {
    return null;
  }
}
