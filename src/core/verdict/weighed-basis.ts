import { yieldOf } from '../formula/compose';
import type { DoseBasis, Recipe } from '../formula/recipe';
import { CURE_LINE, SALT_LINE, plainSalt } from '../formula/scale-recipe';
import type { BatchState } from '../logbook/state';

/**
 * Mass that a dose rule's ppm refers to in a batch, g, with the sum of the scale divisions behind it.
 * For the whole batch, what has been weighed counts as weighed and the rest as the recipe plans it for
 * the meat that is there; the finished weight is the packed one once it is known, else the expected.
 */
export function weighedBasis(
  recipe: Recipe,
  state: BatchState,
  meatG: number,
  basis: DoseBasis,
): { basisG: number; resolutionG: number } {
  let resolutionG = state.meatResolutionG;
  if (basis === 'meat_block') return { basisG: meatG, resolutionG };
  const finishedG = state.steps.pack?.weightG;
  if (basis === 'finished' && finishedG) return { basisG: finishedG, resolutionG: 0 };
  const massOf = (lineId: string, plannedG: number) => {
    const weighed = state.weighed[lineId];
    resolutionG += weighed?.scaleResolutionG ?? 0;
    return weighed?.amountG ?? plannedG;
  };
  const cureG = massOf(CURE_LINE, 0);
  const saltG = massOf(SALT_LINE, Math.max(0, plainSalt(recipe, meatG, cureG)));
  const additionsG = recipe.additions.reduce((sum, a) => sum + massOf(a.id, a.fraction * meatG), 0);
  const batterG = meatG + cureG + saltG + additionsG;
  return { basisG: basis === 'finished' ? batterG * yieldOf(recipe) : batterG, resolutionG };
}
