import type { Recipe } from '../recipe/recipe';
import { placeOf } from '../route/stage-step';
import { programOf } from '../route/read';

/** What the way of a product asks of its casing. */
export type WayClimate = {
  smokes: boolean;
  /** Warmest bath, °C; null where there is none. */
  bathC: number | null;
  /** Weight is to be lost through it. */
  dries: boolean;
};

/** What the way of a recipe asks of its casing. */
export function climateOf(recipe: Recipe): WayClimate {
  const stages = programOf(recipe);
  const baths = stages.filter((s) => placeOf(s) === 'water_bath').map((s) => s.airC);
  return {
    smokes: stages.some((s) => s.smoke),
    bathC: baths.length > 0 ? Math.max(...baths) : null,
    dries: recipe.drying !== undefined || recipe.outcome === 'dried',
  };
}
