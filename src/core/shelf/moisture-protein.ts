import { requireBetween } from '../guard';
import { batterComposition } from '../formula/figures';
import { compose } from '../formula/compose';
import type { Recipe } from '../recipe/recipe';
import { FAT_FREE_MEAT } from '../formula/tables/meat-composition';

/**
 * Water by protein of a product that has lost some of its weight as water, estimated from its recipe:
 * `(water − loss) / protein`, by mass. An estimate: labels and laws ask for an analysis.
 * @param lossFraction weight lost since stuffing, [0, 0.7]
 * @returns kg/kg; null while a meat line has no fat figure
 * @throws RangeError naming the field
 * @source moisture-protein ratio of USDA FSIS labelling policy (dry sausage at most 1.9 to 1, semi-dry to 3.1 to 1); composition as {@link FAT_FREE_MEAT}
 */
export function moistureProtein(recipe: Recipe, lossFraction: number): number | null {
  requireBetween('lossFraction', lossFraction, 0, 0.7);
  const of = batterComposition(recipe);
  if (!of) return null;
  const fat = recipe.meat.reduce((sum, m) => sum + m.share * m.fatFraction!, 0);
  const protein = ((1 - fat) * FAT_FREE_MEAT.protein * 1000) / compose(recipe, 1000).batterG;
  return Math.max(0, of.waterFraction - lossFraction) / protein;
}
