import type { Recipe, RoutedRecipe } from '../recipe/recipe';
import { routeOf } from './adapter';

const known = new WeakMap<Recipe, Map<string, RoutedRecipe>>();

/**
 * The recipe of one part: its casing, and the common steps with its own after them.
 * @returns null where the recipe has no such part
 */
export function partRecipe(recipe: Recipe, partId: string): RoutedRecipe | null {
  const part = recipe.parts?.find((p) => p.id === partId);
  if (!part) return null;
  const made = known.get(recipe) ?? new Map<string, RoutedRecipe>();
  known.set(recipe, made);
  const before = made.get(partId);
  if (before) return before;
  const { parts: _parts, expectedYield: _yield, ...body } = recipe;
  const { id, name, share, casing, expectedYield } = part;
  const own: RoutedRecipe = {
    ...body,
    name: `${recipe.name}, ${name}`,
    casing,
    route: [...routeOf(recipe), ...part.route],
    ofPart: { id, name, share },
    ...(expectedYield === undefined ? {} : { expectedYield }),
  };
  made.set(partId, own);
  return own;
}

/** The recipe itself, or that of each of its parts. */
export const partRecipes = (recipe: Recipe): Recipe[] =>
  recipe.parts ? recipe.parts.map((p) => partRecipe(recipe, p.id)!) : [recipe];
