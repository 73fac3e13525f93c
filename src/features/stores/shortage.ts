import { DateTime } from 'luxon';
import {
  scaleRecipe,
  shortages,
  type BatchState,
  type Need,
  type Recipe,
  type Shortage,
} from '@/core';
import { ingredientOf, sameName } from './lot-problems';

/** A batch that is still to be weighed: what of it is weighed already, and when it must all be there. */
export type ToWeigh = {
  code: string;
  recipe: Recipe;
  meatG: number;
  weighed: BatchState['weighed'];
  atS: number;
};
type Stock = { ingredient: string; leftG: number; useBy: string | null };

/** An open batch, as far as it is still to be weighed; null where it is past that. */
export function toWeigh(b: {
  code: string;
  recipe: Recipe;
  state: BatchState;
  atS: number;
}): ToWeigh | null {
  const { phase, meatG, plannedMeatG, weighed } = b.state;
  if (!['weighing', 'cure_hold', 'making'].includes(phase)) return null;
  return { code: b.code, recipe: b.recipe, meatG: meatG ?? plannedMeatG, weighed, atS: b.atS };
}

/** What batches still need of what the stores keep; what they do not keep, water above all, is nobody's shortage. */
export const needsOf = (
  batches: readonly ToWeigh[],
  ingredients: readonly { name: string }[],
): Need[] =>
  batches.flatMap(({ code, recipe, meatG, weighed, atS }) =>
    scaleRecipe(recipe, { meatG })
      .lines.filter((l) => !weighed[l.lineId])
      .flatMap((line): Need[] => {
        const wanted = ingredientOf(recipe, line.lineId);
        const kept = ingredients.find((i) => sameName(i.name, wanted));
        return kept ? [{ batch: code, name: kept.name, atS, amount: line.targetG }] : [];
      }),
  );

/** Ingredients of the stores of which batches need more than is there and still good then. */
export function shortInStores(
  batches: readonly ToWeigh[],
  ingredients: readonly { name: string }[],
  lots: readonly Stock[],
  timeZone: string,
): Shortage[] {
  const stock = lots.map(({ ingredient, leftG, useBy }) => ({
    name: ingredients.find((i) => sameName(i.name, ingredient))?.name ?? ingredient,
    amount: Math.max(0, leftG),
    untilS:
      useBy === null ? null : DateTime.fromISO(useBy, { zone: timeZone }).endOf('day').toSeconds(),
  }));
  return shortages(needsOf(batches, ingredients), stock);
}
