import type { Recipe } from '../formula/recipe';
import { outcomeOf, programOf } from '../route/read';
import { routeOf } from '../route/adapter';

/** Kinds of products by what warmth does to them while they are made. */
export type MakingClass = 'coarse' | 'fine_dry' | 'emulsion';

/** What a pass is to come out at, at most, and what is too hard to begin with, °C. */
export type MakingLimits = { afterPassC: number; tooHardC: number };

/** Usual values; above them fat smears, below them most small machines stall. @source field standard, customary limits by class */
const LIMITS: Record<MakingClass, MakingLimits> = {
  coarse: { afterPassC: 4, tooHardC: -4 },
  fine_dry: { afterPassC: 1, tooHardC: -4 },
  emulsion: { afterPassC: 12, tooHardC: -4 },
};

/** The class of a recipe: chopped fine, fermented or dried, or anything else. */
export function makingClassOf(recipe: Recipe): MakingClass {
  if (routeOf(recipe).some((s) => s.kind === 'chop')) return 'emulsion';
  const slow = outcomeOf(recipe) === 'dried' || programOf(recipe).some((s) => s.kind === 'ferment');
  return slow ? 'fine_dry' : 'coarse';
}

export const makingLimitsOf = (recipe: Recipe): MakingLimits => LIMITS[makingClassOf(recipe)];
