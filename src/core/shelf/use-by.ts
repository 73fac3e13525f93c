import { outcomeOf } from '../route/read';
import type { Case } from '../verdict/check';
import type { ShelfView } from './shelf-of';

/**
 * Days for which a product keeps cooled once it is packed, by what it is: the strict end of what the trade uses.
 * @source field standard 3.11 (usual): cooked and vacuum-packed 14-21 days, semi-dry and dry, cooled, 4-6 weeks
 */
const USUAL_DAYS = { cooked: 14, ripened: 28 } as const;
const DAY_S = 86_400;

/** How long a batch keeps cooled; `untilS` once it is packed, epoch s. */
export type UseBy = { days: number; untilS: number | null };

/**
 * Usual use-by of a batch by its class. What keeps without a cooler has none here: the site's own plan says how long. A product
 * that was cooked and lost no water to drying keeps as a cooked one, however sour it is.
 */
export function keepingOf(
  { recipe, state }: Pick<Case, 'recipe' | 'state'>,
  shelf: ShelfView,
): UseBy | null {
  if (shelf.class === 'shelf_stable') return null;
  const wet = outcomeOf(recipe) === 'cooked' && !recipe.drying;
  const days = wet ? USUAL_DAYS.cooked : USUAL_DAYS.ripened;
  const packedS = state.steps.pack?.atS;
  return { days, untilS: packedS === undefined ? null : packedS + days * DAY_S };
}
