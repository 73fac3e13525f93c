import type { SchoolChoices } from './schools/questions';

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

export const STAGE_KINDS = [
  'rest',
  'dry',
  'smoke',
  'cook',
  'bath',
  'chill',
  'ferment',
  'hang',
] as const;
export type StageKind = (typeof STAGE_KINDS)[number];

/** Where a stage happens; the house when a stage does not say. */
export const STAGE_PLACES = [
  'house',
  'water_bath',
  'oven',
  'shower',
  'ice_bath',
  'cooler',
  'room',
] as const;
export type StagePlace = (typeof STAGE_PLACES)[number];

/** What ends a stage; several are joined by whichever comes first or by all. */
export type StageEnds = {
  join: 'any' | 'all';
  afterS?: number;
  coreC?: number;
  /** Decimal reductions gained. */
  logs?: number;
  /** Weight lost since the run began, 0-1. */
  lossFraction?: number;
  /** Surface dry and tacky: a check by hand. */
  dry?: boolean;
};

export type ProgramStage = {
  id: string;
  name: string;
  kind: StageKind;
  airC: number;
  /** Relative humidity set point, 0-1, when the stage has one. */
  rh?: number;
  smoke: boolean;
  /** Planned length, s; also the end when no core target is given. */
  plannedS: number;
  /** Core temperature that ends the stage, °C. */
  endCoreC?: number;
  place?: StagePlace;
  /** The air starts here and reaches airC in a straight line over the planned length, °C. */
  rampFromC?: number;
  /** Wet bulb set point, °C, instead of rh. */
  wetBulbC?: number;
  /** Damper and fan, 0 shut or still to 1 open or full. */
  damper?: number;
  fan?: number;
  wood?: string;
  /** What ends it; without this, endCoreC or else the planned length. */
  ends?: StageEnds;
  /** Longest that it may take, s. */
  maxS?: number;
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

export const CASING_KINDS = [
  'sheep',
  'hog',
  'beef_middle',
  'bung',
  'collagen',
  'cellulose',
  'fibrous',
  'plastic',
] as const;
export type CasingKind = (typeof CASING_KINDS)[number];

export type Casing = {
  name: string;
  diameterMm: number;
  kind?: CasingKind;
  /** Length of one link, ring or piece, mm. */
  pieceMm?: number;
  /** Share added for waste, [0, 1). */
  wasteFraction?: number;
};

export type Fermentation = {
  /** pH that ends it, and the lowest that the culture reaches. */
  targetPh: number;
  floorPh: number;
};

/** One immutable recipe version: everything a batch needs that is not measured on the day. */
export type Recipe = {
  name: string;
  meat: MeatLine[];
  /** Salt from all sources, mass per mass of meat block. */
  totalSaltFraction: number;
  cure: Cure | null;
  additions: Addition[];
  casing: Casing;
  program: ProgramStage[];
  process: Process;
  schools?: SchoolChoices;
  /** Finished weight over batter weight, (0, 1.2]. */
  expectedYield?: number;
  fermentation?: Fermentation;
  /** Made of a customer's own meat, which must never be mixed with anybody else's. */
  customersMeat?: boolean;
  /** Cost of one kilogram of salt, of one metre of casing. */
  saltCostPerKg?: number;
  casingCostPerM?: number;
};

/** Without cure only a hot smoke is safe: set points below this are refused, °C. @source field standard, "hot and fast" */
export const UNCURED_SMOKE_FROM_C = 71;

/** Words that name a bird in the languages a recipe is likely to be written in. */
const BIRDS =
  /\b(chicken|hen|fowl|turkey|duck|goose|geese|quail|guinea ?fowl|pheasant|partridge|ostrich|poultry|poulet|dinde|canard|oie|volaille|pollo|pavo|pato|huhn|hühner\p{L}*|hähnchen\p{L}*|pute|puten\p{L}*|ente|enten\p{L}*|gans|gänse\p{L}*|geflügel\p{L}*|schmaltz)s?(?!\p{L})/iu;

/**
 * True when anything of the product is poultry: meat block, fat, skin, inclusions. A name that says so
 * counts like a species that does: it can only ask for more.
 */
export const hasPoultry = (recipe: Recipe) =>
  recipe.meat.some((line) => line.species === 'poultry' || BIRDS.test(line.name)) ||
  recipe.additions.some((a) => a.species === 'poultry' || BIRDS.test(a.name));

/** Accelerator (ascorbate or erythorbate) in-going, ppm of the meat block. */
export const acceleratorPpm = (recipe: Recipe) =>
  recipe.additions.filter((a) => a.kind === 'accelerator').reduce((sum, a) => sum + a.fraction, 0) *
  1e6;
