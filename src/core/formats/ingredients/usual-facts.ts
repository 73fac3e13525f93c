import type { Addition, Allergen } from '../../recipe/recipe';

type Usual = [word: RegExp, kind: Addition['kind'] | null, allergens: Allergen[]];

/** What is usual of things that lists name. Usual: the label decides. */
const USUAL: readonly Usual[] = [
  [
    /\b(skim ?milk|milk|whey|butter ?milk|casein\w*)\b.*\b(powder|protein|solids?)\b|\bcaseinate\b/i,
    'binder',
    ['milk'],
  ],
  [/\bcheese|cheddar|curds?\b/i, 'inclusion', ['milk']],
  [/\b(milk|cream|butter|whey|yogh?urt)\b/i, null, ['milk']],
  [/\bsoya?\b/i, 'binder', ['soy']],
  [/\b(rusk|bread ?crumbs?|bread|flour|semolina|gluten)\b/i, 'binder', ['gluten']],
  [/\b(barley|rye|beer|ale|oats?)\b/i, null, ['gluten']],
  [/\b(potato )?starch\b/i, 'binder', []],
  [/\beggs?\b/i, null, ['egg']],
  [/\bmustard\b/i, null, ['mustard']],
  [/\bceler(y|iac)\b/i, null, ['celery']],
  [/\b(walnuts?|hazelnuts?|pistachios?|almonds?|cashews?)\b/i, 'inclusion', ['nuts']],
  [/\bpeanuts?\b/i, 'inclusion', ['peanuts']],
  [/\bsesame|tahini\b/i, null, ['sesame']],
  [/\b(wine|sulphites?|sulfites?)\b/i, null, ['sulphites']],
  [/\b(fish|anchov\w+)\b/i, null, ['fish']],
  [/\blupine?\b/i, null, ['lupin']],
];

/**
 * What something usually is and brings, by its name on a list: a first word for whoever reads its label, never the last.
 * @returns nothing where the name says nothing
 */
export function usualFacts(
  name: string,
): Pick<Addition, 'allergens'> & Partial<Pick<Addition, 'kind'>> {
  const found = USUAL.filter(([word]) => word.test(name));
  if (found.length === 0) return {};
  const kind = found.find(([, k]) => k !== null)?.[1];
  return {
    ...(kind ? { kind } : {}),
    allergens: [...new Set(found.flatMap(([, , a]) => a))],
  };
}
