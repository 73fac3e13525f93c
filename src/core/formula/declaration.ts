import { compose } from './compose';
import { ALLERGENS, type Allergen, type Recipe, type Species } from '../recipe/recipe';

/** One line of an ingredient declaration; the interface has the words for `code`. */
export type DeclaredIngredient = {
  /** A name as written, or the code of something that a label must call by its own name. */
  name: string | null;
  code: Species | 'salt' | 'water' | 'sodium_nitrite' | 'nitrate' | null;
  massG: number;
  allergens: Allergen[];
};

/**
 * Ingredients in descending order by weight, as they go in: meat by species, salt from the cure and
 * plain salt as one, nitrite and nitrate by themselves, all water and ice as one, like names together.
 * Equal weights stay in the recipe's order.
 * @param recipe shares and fractions of the meat block
 * @returns masses in g for one kilogram of meat block
 * @source 9 CFR 317.2(f) and Regulation (EU) 1169/2011 Art. 18: descending order of weight when used
 */
export function declareIngredients(recipe: Recipe): DeclaredIngredient[] {
  const meatG = 1000;
  const composed = compose(recipe, meatG);
  const found = new Map<string, DeclaredIngredient>();
  const add = (
    key: string,
    line: Pick<DeclaredIngredient, 'name' | 'code'>,
    massG: number,
    allergens: readonly Allergen[] = [],
  ) => {
    if (!(massG > 0)) return;
    const known = found.get(key) ?? { ...line, massG: 0, allergens: [] };
    known.massG += massG;
    known.allergens = ALLERGENS.filter((a) => known.allergens.includes(a) || allergens.includes(a));
    found.set(key, known);
  };
  for (const m of recipe.meat)
    add(`meat:${m.species}`, { name: null, code: m.species }, m.share * meatG);
  const { nitriteFraction = 0, nitrateFraction = 0 } = recipe.cure ?? {};
  const cureSaltG = composed.cureG * (1 - nitriteFraction - nitrateFraction);
  add('salt', { name: null, code: 'salt' }, composed.plainSaltG + cureSaltG);
  for (const a of recipe.additions) {
    const water = a.kind === 'water';
    add(
      water ? 'water' : `named:${a.name.trim().toLowerCase()}`,
      { name: water ? null : a.name.trim(), code: water ? 'water' : null },
      a.fraction * meatG,
      a.allergens,
    );
  }
  add('nitrite', { name: null, code: 'sodium_nitrite' }, composed.cureG * nitriteFraction);
  add('nitrate', { name: null, code: 'nitrate' }, composed.cureG * nitrateFraction);
  return [...found.values()].sort((a, b) => b.massG - a.massG);
}

/**
 * Additions of which nobody has read the label: their allergens are not known.
 * @param recipe one version of it
 */
export const unreadLines = (recipe: Recipe): string[] =>
  recipe.additions.filter((a) => a.labelUnread).map((a) => a.name);

/**
 * Allergens of all ingredients, in the order of the list.
 * @param recipe one version of it
 */
export const allergensOf = (recipe: Recipe): Allergen[] =>
  ALLERGENS.filter((x) => recipe.additions.some((a) => a.allergens?.includes(x)));
