import { scaleRecipe, type BatchState, type Recipe } from '@/core';
import { ingredientOf, sameName } from './lot-problems';

export type Need = { ingredient: string; neededG: number; inStockG: number; batches: string[] };
export type PlannedBatch = { code: string; recipe: Recipe; state: BatchState };
type Stock = { ingredient: string; leftG: number };

/** What open batches still have to weigh, by ingredient. */
function needs(
  batches: readonly PlannedBatch[],
): Map<string, { name: string; g: number; codes: string[] }> {
  const found = new Map<string, { name: string; g: number; codes: string[] }>();
  for (const { code, recipe, state } of batches) {
    if (!['weighing', 'cure_hold', 'making'].includes(state.phase)) continue;
    const { lines } = scaleRecipe(recipe, { meatG: state.meatG ?? state.plannedMeatG });
    for (const line of lines.filter((l) => !state.weighed[l.lineId])) {
      const name = ingredientOf(recipe, line.lineId);
      const key = name.trim().toLowerCase();
      const known = found.get(key) ?? { name, g: 0, codes: [] };
      found.set(key, {
        ...known,
        g: known.g + line.targetG,
        codes: [...new Set([...known.codes, code])],
      });
    }
  }
  return found;
}

/**
 * Ingredients of the stores of which the open batches still need more than is there. Ingredients that
 * the stores do not keep, water above all, are nobody's shortage.
 */
export function shortages(
  batches: readonly PlannedBatch[],
  ingredients: readonly { name: string }[],
  lots: readonly Stock[],
): Need[] {
  return [...needs(batches).values()].flatMap(({ name, g, codes }) => {
    if (!ingredients.some((i) => sameName(i.name, name))) return [];
    const inStockG = lots
      .filter((l) => sameName(l.ingredient, name))
      .reduce((sum, l) => sum + Math.max(0, l.leftG), 0);
    return inStockG < g ? [{ ingredient: name, neededG: g, inStockG, batches: codes }] : [];
  });
}
