import type { RouteStep } from './step';
import type { CasingFacts, CasingKind } from './tables/casings';
import type { SchoolChoices } from './school-questions';
import type { ProgramStage } from './stage';

export {
  STAGE_KINDS,
  STAGE_PLACES,
  type ProgramStage,
  type StageEnds,
  type StageKind,
  type StagePlace,
} from './stage';

/** Species decide the lethality target: anything with poultry is judged as poultry. */
export const SPECIES = ['pork', 'beef', 'lamb', 'game', 'poultry'] as const;
export type Species = (typeof SPECIES)[number];

export type MeatLine = {
  id: string;
  name: string;
  species: Species;
  /** Share of the meat block, (0, 1]; all shares sum to 1. */
  share: number;
  /** Fat by mass, [0, 1]; left out when nobody has estimated it. */
  fatFraction?: number;
  /** The weight as the formulator wrote it, g, when the block was written by weight. */
  writtenG?: number;
  costPerKg?: number;
};

export const ADDITION_KINDS = [
  'seasoning',
  'sugar',
  'binder',
  'phosphate',
  'accelerator',
  'culture',
  'water',
  'inclusion',
] as const;
export type AdditionKind = (typeof ADDITION_KINDS)[number];

/** Where in the process an addition goes in. */
export const PLACES_IN_PROCESS = [
  'before_grinding',
  'between_passes',
  'in_mix',
  'first_chop',
  'second_chop',
  'last',
] as const;
export type PlaceInProcess = (typeof PLACES_IN_PROCESS)[number];

/** What must be named on a label, after the lists of the US, Canada and the EU. */
export const ALLERGENS = [
  'milk',
  'egg',
  'soy',
  'gluten',
  'mustard',
  'celery',
  'nuts',
  'peanuts',
  'sesame',
  'sulphites',
  'fish',
  'crustaceans',
  'molluscs',
  'lupin',
] as const;
export type Allergen = (typeof ALLERGENS)[number];

/** How an amount was written; `fraction` stays the figure that counts. */
export type Writing =
  { as: 'percent' } | { as: 'g_per_kg' } | { as: 'packet'; packetG: number; perMeatG: number };

export type Addition = {
  id: string;
  name: string;
  kind: AdditionKind;
  /** The animal that it comes from, for fat, skin, and meat that is added after grinding. */
  species?: Species;
  /** Mass per mass of meat block, ≥ 0. */
  fraction: number;
  written?: Writing;
  place?: PlaceInProcess;
  /** Salt, water and fat that it brings, by mass, [0, 1]. */
  saltFraction?: number;
  waterFraction?: number;
  fatFraction?: number;
  /** Fermentable as dextrose is, [0, 1]; sugars only. */
  dextroseFraction?: number;
  allergens?: Allergen[];
  /** Nobody has read its label yet: what is said of it is only usual, and it keeps the recipe from approval. */
  labelUnread?: true;
  costPerKg?: number;
};

export type DoseBasis = 'meat_block' | 'whole_batch' | 'finished';

export type Cure = {
  name: string;
  /** Sodium nitrite by mass, (0, 1]. */
  nitriteFraction: number;
  /** Nitrate by mass, [0, 1). */
  nitrateFraction: number;
  /** As sodium nitrite, mg per kg of `basis`. */
  targetPpm: number;
  /** What the ppm refers to; the meat block when left out. */
  basis?: DoseBasis;
  /** What the formulator accepts where a weak cure brings more salt than the recipe wants. */
  acceptsItsSalt?: boolean;
  costPerKg?: number;
};

export type ChillMedium = 'ice_bath' | 'shower' | 'cooler';

export type Process = {
  prepareS: number;
  cureHoldMinS: number;
  cureHoldMaxS: number;
  stuffS: number;
  surfaceDryS: number;
  pullS: number;
  chill: { medium: ChillMedium; plannedS: number }[];
  bloomS: number;
  packS: number;
};

export type Casing = {
  name: string;
  diameterMm: number;
  kind?: CasingKind;
  /** Length of one link, ring or piece, mm. */
  pieceMm?: number;
  /** Share added for waste, [0, 1). */
  wasteFraction?: number;
  /** What is known of a casing of the site's own; it stays with the version. */
  own?: CasingFacts;
};

/** What a product is when it is done, and so what it must have been through. */
export const OUTCOMES = ['cooked', 'dried', 'cook_before_eating', 'eaten_hot'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** What drying must reach; of two both. */
export type DryingTarget = {
  /** Weight lost since stuffing, (0, 1). */
  minLossFraction?: number;
  /** Water activity, (0, 1]. */
  maxAw?: number;
};

export type Fermentation = {
  /** pH that ends it, and the lowest that the culture reaches. */
  targetPh: number;
  floorPh: number;
};

/** One of several casings that a batter is stuffed into, with its own way from there. */
export type RecipePart = {
  /** Its own in the recipe: small letters, digits and dashes. */
  id: string;
  name: string;
  /** Of the batter, (0, 1]; all shares sum to 1. */
  share: number;
  casing: Casing;
  /** What comes after the common steps, which end with the stuffing. */
  route: RouteStep[];
  expectedYield?: number;
};

/** What a recipe says besides its way: what goes in, what it is stuffed into, and what comes of it. */
export type RecipeBody = {
  name: string;
  meat: MeatLine[];
  /** Salt from all sources, mass per mass of meat block. */
  totalSaltFraction: number;
  cure: Cure | null;
  additions: Addition[];
  casing: Casing;
  /** What it is when it is done; cooked, ready to eat, where left out. */
  outcome?: Outcome;
  /** What drying must reach; asked of every recipe that gives it. */
  drying?: DryingTarget;
  schools?: SchoolChoices;
  /** Finished weight over batter weight, (0, 1.2]. */
  expectedYield?: number;
  fermentation?: Fermentation;
  /** Made of a customer's own meat, which must never be mixed with anybody else's. */
  customersMeat?: boolean;
  /** One batter in several casings: each with a way of its own from the stuffing on. */
  parts?: RecipePart[];
  /** This recipe is that of one part of another: which, and its share of the batter. Never stored. */
  ofPart?: Pick<RecipePart, 'id' | 'name' | 'share'>;
  /** Cost of one kilogram of salt, of one metre of casing. */
  saltCostPerKg?: number;
  casingCostPerM?: number;
};

/** A recipe as it was written before there were routes: the house's stages, and times around them. */
export type PlannedRecipe = RecipeBody & { program: ProgramStage[]; process: Process };

/** A recipe with its way as one list of steps. */
export type RoutedRecipe = RecipeBody & { route: RouteStep[] };

/**
 * One immutable recipe version: everything a batch needs that is not measured on the day. Its way is read through
 * `route/adapter` alone, whichever form it was written in.
 */
export type Recipe = PlannedRecipe | RoutedRecipe;

/** Without cure only a hot smoke is safe: set points below this are refused, °C. @source usual practice of the trade: hot and fast */
export const UNCURED_SMOKE_FROM_C = 71;

/** Words that name a bird in the languages a recipe is likely to be written in. */
const BIRDS =
  /\b(chicken|hen|fowl|turkey|duck|goose|geese|quail|guinea ?fowl|pheasant|partridge|ostrich|poultry|poulet|dinde|canard|oie|volaille|pollo|pavo|pato|huhn|hühner\p{L}*|hähnchen\p{L}*|pute|puten\p{L}*|ente|enten\p{L}*|gans|gänse\p{L}*|geflügel\p{L}*|schmaltz)s?(?!\p{L})/iu;

/**
 * True when anything of the product is poultry: meat block, fat, skin, inclusions. A name that says so
 * counts like a species that does: it can only ask for more.
 * @param recipe one version of it
 */
export const hasPoultry = (recipe: Recipe) =>
  recipe.meat.some((line) => line.species === 'poultry' || BIRDS.test(line.name)) ||
  recipe.additions.some((a) => a.species === 'poultry' || BIRDS.test(a.name));

/**
 * Accelerator (ascorbate or erythorbate) in-going, ppm of the meat block.
 * @param recipe additions as fractions of the meat block
 */
export const acceleratorPpm = (recipe: Recipe) =>
  recipe.additions.filter((a) => a.kind === 'accelerator').reduce((sum, a) => sum + a.fraction, 0) *
  1e6;
