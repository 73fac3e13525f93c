import { usualFacts, type Addition, type Recipe } from '@/core';
import { sameName, type Ingredient } from '@/features/stores/contract';

/** Lines of an imported recipe that are like something of the stores by their name, but not the same. */
export type NearLine = { lineId: string; name: string; near: Ingredient[] };

/** Words that say how something is cut or kept, and nothing of what it is. */
const PLAIN = new Set([
  'and',
  'the',
  'with',
  'fresh',
  'dried',
  'ground',
  'fine',
  'coarse',
  'whole',
]);
const MOST_NEAR = 5;

/** The words that a name is compared by: small letters, without an s of the plural. */
const wordsOf = (name: string): Set<string> =>
  new Set(
    name
      .toLowerCase()
      .split(/[^\p{L}\p{N}]+/u)
      .map((w) => (w.length > 3 ? w.replace(/s$/, '') : w))
      .filter((w) => w.length > 2 && !PLAIN.has(w)),
  );

/** How much two names have in common, 0 to 1: words of both among the words of either. */
function alike(a: string, b: string): number {
  const [x, y] = [wordsOf(a), wordsOf(b)];
  const both = [...x].filter((w) => y.has(w)).length;
  return both === 0 ? 0 : both / new Set([...x, ...y]).size;
}

/** Is it told already what a line is made of, or is there nothing to tell? */
const isRead = (a: Addition) => a.allergens !== undefined || a.kind === 'water';

/** A line with what is known of an ingredient of the stores; what it says itself stays. */
export function linked(a: Addition, { name, facts }: Ingredient): Addition {
  const { labelUnread: _was, ...line } = a;
  const { additionKind, saltFraction, waterFraction, fatFraction, dextroseFraction } = facts;
  const known = { saltFraction, waterFraction, fatFraction, dextroseFraction };
  const given = Object.fromEntries(Object.entries(known).filter(([, x]) => x !== undefined));
  return {
    ...given,
    ...line,
    name,
    /* A list calls everything a seasoning, and what is usual is a first word only. */
    kind: a.kind === 'seasoning' || a.labelUnread ? (additionKind ?? a.kind) : a.kind,
    ...(facts.allergens ? { allergens: facts.allergens } : { labelUnread: true as const }),
  };
}

/** Not in the stores: what such a thing usually is, and that nobody has read its label. */
const unread = (a: Addition): Addition => ({
  ...a,
  ...(a.kind === 'seasoning' ? usualFacts(a.name) : {}),
  labelUnread: true,
});

/**
 * An imported recipe with its additions linked to the ingredients of the stores: those of the same name bring what is known of
 * them; of the rest nobody has read the label yet, which keeps it from approval, and what is near by its name is offered.
 */
export function linkLines(
  recipe: Recipe,
  ingredients: readonly Ingredient[],
): { recipe: Recipe; near: NearLine[] } {
  const kept = ingredients.filter((i) => i.kind === 'addition');
  const near: NearLine[] = [];
  const additions = recipe.additions.map((a) => {
    if (isRead(a)) return a;
    const same = kept.find((i) => sameName(i.name, a.name));
    if (same) return linked(a, same);
    const found = kept
      .map((i) => ({ i, by: alike(i.name, a.name) }))
      .filter((x) => x.by > 0)
      .sort((x, y) => y.by - x.by)
      .slice(0, MOST_NEAR)
      .map((x) => x.i);
    if (found.length > 0) near.push({ lineId: a.id, name: a.name, near: found });
    return unread(a);
  });
  return { recipe: { ...recipe, additions }, near };
}
