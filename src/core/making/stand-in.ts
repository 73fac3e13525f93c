import type { Addition, Recipe } from '../recipe/recipe';
import { CURE_LINE } from '../formula/scale-recipe';

/** Why something cannot stand in for a line. */
export type NoStandIn = 'no_measured_form' | 'other_ingredient';

/** Kinds of which only a measured form will do: another make of the same is a lot, and needs no stand-in. */
const MEASURED: readonly string[] = ['phosphate', 'accelerator', 'cure', 'culture'];
/** Words that say nothing of what it is. */
const SAYS_NOTHING = new Set([
  'ground',
  'whole',
  'coarse',
  'fine',
  'fresh',
  'dried',
  'cracked',
  'black',
  'white',
  'red',
  'green',
  'sweet',
  'hot',
  'smoked',
  'powder',
  'flakes',
  'seed',
  'seeds',
  'the',
  'and',
  'of',
]);

const wordsOf = (name: string) =>
  (name.toLowerCase().match(/\p{L}{3,}/gu) ?? []).filter((w) => !SAYS_NOTHING.has(w));

/**
 * Says whether something may be weighed in place of a line of the recipe: another grade of the same, as one pepper for another
 * while the total stays. What is no measured form of what is wanted is refused (a baking powder for a phosphate), and so is
 * another ingredient: that is another recipe.
 * @returns null when it may, else why not · @source usual practice of the trade: another grade stands in, another substance does not
 */
export function refuseStandIn(recipe: Recipe, lineId: string, name: string): NoStandIn | null {
  const addition = recipe.additions.find((a) => a.id === lineId);
  const kind = lineId === CURE_LINE ? 'cure' : addition?.kind;
  if (kind === undefined) return 'other_ingredient';
  if (MEASURED.includes(kind)) return 'no_measured_form';
  const wanted = new Set(wordsOf(addition?.name ?? ''));
  return wordsOf(name).some((w) => wanted.has(w)) ? null : 'other_ingredient';
}

/** Names that a bought mix goes by: it brings salt, and its label says how much. */
const BLEND =
  /\b(blend|seasoning|rub|mix|premix|würzmischung|gewürzmischung|curry paste|bouillon|stock)\b/iu;

/** Bought mixes whose salt nobody has read from the label: they must not count as salt-free. */
export const blendsOfUnknownSalt = (recipe: Recipe): Addition[] =>
  recipe.additions.filter(
    (a) =>
      a.kind === 'seasoning' &&
      a.saltFraction === undefined &&
      a.fraction > 0 &&
      BLEND.test(a.name),
  );
