import { outcomeOf } from '../route/read';
import { shelfRuleOf } from '../rules/rule';
import type { Case } from '../verdict/check';
import type { ShelfView } from './shelf-of';

/**
 * Days for which a product keeps cooled once it is packed, by what it is: the strict end of what the trade uses.
 * @source usual practice of the trade: cooked and vacuum-packed 14-21 days, semi-dry and dry, cooled, 4-6 weeks
 */
const USUAL_DAYS = { cooked: 14, ripened: 28, stable: null } as const;
const DAY_S = 86_400;

/** How long a batch keeps; `untilS` once it is packed, epoch s. */
export type UseBy = {
  days: number;
  untilS: number | null;
  cooled: boolean;
  /** Whose figure it is: the site's rule, or what is usual. */
  by: 'rule' | 'usual';
};

type Keeps = keyof typeof USUAL_DAYS;

/** A product that was cooked and lost no water to drying keeps as a cooked one, however sour it is. */
function keepsAs({ recipe }: Pick<Case, 'recipe'>, shelf: ShelfView): Keeps {
  if (shelf.class === 'shelf_stable') return 'stable';
  return outcomeOf(recipe) === 'cooked' && !recipe.drying ? 'cooked' : 'ripened';
}

/**
 * Use-by of a batch by its class and the site's rule; by what is usual where the rule says nothing. What keeps without a cooler has
 * none then: the site's own plan says how long.
 */
export function keepingOf(
  c: Pick<Case, 'recipe' | 'state' | 'rules'>,
  shelf: ShelfView,
): UseBy | null {
  const as = keepsAs(c, shelf);
  const ruleS = shelfRuleOf(c.rules)[`${as}KeepsS`];
  const days = ruleS === undefined ? USUAL_DAYS[as] : ruleS / DAY_S;
  if (days === null) return null;
  const packedS = c.state.steps.pack?.atS;
  return {
    days,
    untilS: packedS === undefined ? null : packedS + days * DAY_S,
    cooled: as !== 'stable',
    by: ruleS === undefined ? 'usual' : 'rule',
  };
}
