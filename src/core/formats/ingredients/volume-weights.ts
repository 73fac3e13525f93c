import { TEASPOON_CURE_G } from '../../formula/spoon-dose';

/** US customary volumes, ml (1 US gallon = 231 cubic inches, exactly). */
export const ML = {
  teaspoon: 4.92892159375,
  tablespoon: 14.78676478125,
  cup: 236.5882365,
  fluid_ounce: 29.5735295625,
  pint: 473.176473,
  quart: 946.352946,
  gallon: 3785.411784,
  millilitre: 1,
  litre: 1000,
} as const;

export type VolumeUnit = keyof typeof ML;

type Weight = { match: RegExp; low: number; high: number };

const CURE_PER_ML = {
  low: TEASPOON_CURE_G.low / ML.teaspoon,
  high: TEASPOON_CURE_G.high / ML.teaspoon,
};

/** Words that name a cure: nitrite in salt, whatever it is dyed. */
export const CURE_WORDS = /\b(cure|curing salt|pink salt|nitrite salt|nitrite|cure ?#? ?[12])\b/i;

/**
 * What a millilitre of an ingredient weighs, g, lightest and heaviest customary filling; the first
 * match counts. @source spread of kitchen weighings, levelled to heaped, loose to packed (usual)
 */
const WEIGHTS: readonly Weight[] = [
  { match: CURE_WORDS, ...CURE_PER_ML },
  { match: /\b(kosher|coarse|flake|sea) salt\b/i, low: 0.55, high: 1.1 },
  { match: /\bsalt\b/i, low: 1.1, high: 1.3 },
  { match: /\bdextrose\b/i, low: 0.58, high: 0.75 },
  { match: /\bbrown sugar\b/i, low: 0.7, high: 0.95 },
  { match: /\bsugar\b/i, low: 0.78, high: 0.92 },
  { match: /\b(honey|syrup|molasses)\b/i, low: 1.3, high: 1.45 },
  {
    match: /\b(water|ice water|beer|wine|vinegar|stock|broth|juice|milk)\b(?! powder)/i,
    low: 0.97,
    high: 1.04,
  },
  { match: /\bice\b/i, low: 0.5, high: 0.75 },
  { match: /\bmilk powder|powdered milk|dry milk\b/i, low: 0.25, high: 0.55 },
  {
    match: /\b(mustard|coriander|caraway|fennel|cumin|celery|anise) seeds?\b/i,
    low: 0.3,
    high: 0.75,
  },
  { match: /\b(garlic|onion) (powder|granules)\b/i, low: 0.45, high: 0.75 },
  {
    match: /\b(oregano|thyme|marjoram|sage|basil|savory|parsley|lovage|rosemary|dill)\b/i,
    low: 0.12,
    high: 0.35,
  },
  {
    match: /\b(pepper|paprika|chili|chilli|cayenne|allspice|nutmeg|mace|clove|ginger|mustard)\b/i,
    low: 0.38,
    high: 0.62,
  },
];

/** Dry seasoning of no known kind: a wide band. */
const ANY_DRY = { low: 0.25, high: 0.75 };

/** Mass band of a millilitre of what is named, g. */
export function gramsPerMl(name: string): { low: number; high: number; known: boolean } {
  const found = WEIGHTS.find((w) => w.match.test(name));
  return found ? { low: found.low, high: found.high, known: true } : { ...ANY_DRY, known: false };
}
