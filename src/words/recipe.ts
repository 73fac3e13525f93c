import { degreeHourWords } from './degree-hours';
import type {
  AdditionKind,
  Allergen,
  CasingKind,
  DeclaredIngredient,
  Finding,
  FindingCode,
  FindingLevel,
  PlaceInProcess,
  Species,
  StageKind,
  UnclearReason,
} from '@/core';
import type { Show } from './show';

export const KIND_WORDS: Record<AdditionKind, string> = {
  seasoning: 'seasoning',
  sugar: 'sugar',
  binder: 'binder',
  phosphate: 'phosphate',
  accelerator: 'accelerator',
  culture: 'culture',
  water: 'water or ice',
  inclusion: 'inclusion',
};

export const PLACE_WORDS: Record<PlaceInProcess, string> = {
  before_grinding: 'before grinding',
  between_passes: 'between passes',
  in_mix: 'in the mix',
  first_chop: 'first chop',
  second_chop: 'second chop',
  last: 'last',
};

export const SPECIES_WORDS: Record<Species, string> = {
  pork: 'pork',
  beef: 'beef',
  lamb: 'lamb',
  game: 'game',
  poultry: 'poultry',
};

export const STAGE_WORDS: Record<StageKind, string> = {
  rest: 'rest',
  dry: 'dry',
  smoke: 'smoke',
  cook: 'cook',
  bath: 'bath',
  chill: 'chill',
  ferment: 'ferment',
  hang: 'hang',
};

export const CASING_WORDS: Record<CasingKind, string> = {
  sheep: 'sheep',
  hog: 'hog',
  beef_middle: 'beef middle',
  bung: 'bung',
  collagen: 'edible collagen',
  cellulose: 'cellulose (peel off)',
  fibrous: 'fibrous',
  plastic: 'plastic',
};

export const ALLERGEN_WORDS: Record<Allergen, string> = {
  milk: 'milk',
  egg: 'egg',
  soy: 'soy',
  gluten: 'wheat, barley or rye',
  mustard: 'mustard',
  celery: 'celery',
  nuts: 'tree nuts',
  peanuts: 'peanuts',
  sesame: 'sesame',
  sulphites: 'sulphites',
  fish: 'fish',
  crustaceans: 'crustaceans',
  molluscs: 'molluscs',
  lupin: 'lupin',
};

export const LEVEL_WORDS: Record<FindingLevel, string> = {
  fine: 'Fine',
  advisory: 'Look at it',
  blocking: 'Blocks approval',
};

export const FINDING_WORDS: Record<FindingCode, string> = {
  dose: 'Nitrite',
  salt_conflict: 'Salt that the cure brings',
  salt: 'Total salt',
  accelerator: 'Accelerator',
  binder: 'Binder',
  phosphate: 'Phosphate',
  fat: 'Fat of the product',
  fat_water: 'Fat and added water',
  nitrate_short: 'Nitrate in a short process',
  hold_needed: 'Cure hold',
  uncured_slow: 'Slow smoke without cure',
  no_cook: 'No core target',
  low_end_point: 'Core target',
  ph: 'Forecast pH',
  degree_hours: 'Degree-hours planned',
  casing_range: 'Diameter for this casing',
  casing_smoke: 'Smoke through plastic',
  blend_salt: 'Salt in the bought mix',
  label_unread: 'Labels that nobody has read',
  no_serving: 'Eaten hot',
};

const SHARES: readonly FindingCode[] = [
  'salt_conflict',
  'salt',
  'binder',
  'phosphate',
  'fat',
  'fat_water',
];

/** The figure of a finding in its unit. */
export function findingValue(f: Pick<Finding, 'code'>, value: number, show: Show): string {
  if (SHARES.includes(f.code)) return `${show.number(value * 100, 2)} %`;
  if (f.code === 'dose' || f.code === 'accelerator') return `${show.number(value, 1)} ppm`;
  if (f.code === 'nitrate_short' || f.code === 'hold_needed') return show.duration(value);
  if (f.code === 'uncured_slow' || f.code === 'low_end_point') return show.temp(value);
  if (f.code === 'ph') return `pH ${show.number(value, 2)}`;
  if (f.code === 'degree_hours') return degreeHourWords(value, show);
  return f.code === 'casing_range' ? show.quantity('diameter', value) : '';
}

/** Limits of a finding: "120 ppm to 156 ppm", "at most 3.5 %". */
export function findingLimits(f: Finding, show: Show): string {
  const min = f.min === undefined ? null : findingValue(f, f.min, show);
  const max = f.max === undefined ? null : findingValue(f, f.max, show);
  if (min && max) return `${min} to ${max}`;
  return min ? `at least ${min}` : max ? `at most ${max}` : '';
}

/** What a finding that is not fine asks for. */
export const FINDING_ADVICE: Partial<Record<FindingCode, string>> = {
  dose: 'Change the ppm, or choose the rule set that applies.',
  salt_conflict: 'Nitrite and salt targets do not fit together with this cure: see the ways out.',
  salt: 'Too little does not bind, too much is not eaten.',
  accelerator: 'Take less: over the limit it is not allowed.',
  binder: 'More than the rule allows under this name.',
  phosphate: 'Take less: over the limit it is not allowed.',
  fat: 'Leaner trim, or another name for the product.',
  fat_water: 'Less fat or less water, or another name for the product.',
  nitrate_short: 'Nitrate needs weeks to work: a cure without it belongs in a short process.',
  hold_needed: 'The rule asks for a longer hold, or for more accelerator; the schedule keeps it.',
  uncured_slow: 'Hot and fast is the only safe shape without cure.',
  no_cook: 'Nothing in the program reaches a lethal core: it cannot be released as ready to eat.',
  low_end_point: 'By the site’s way of judging, this core target does not reach lethality.',
  ph: 'The sugars do not carry the pH to its target: more dextrose.',
  degree_hours: 'Warmer or longer than the rule allows until the pH has fallen.',
  casing_range: 'This casing is not usually stuffed to this diameter.',
  casing_smoke: 'Smoke does not pass through it, and nothing dries.',
  blend_salt: 'Nobody has read its label: give the salt that it brings, or 0 where there is none.',
  label_unread:
    'Its allergens are not known yet. Read each label, tick what it names, and say that it was read.',
  no_serving:
    'Its way ends in the cold and never with its serving. Add the serving, or choose cooked as its outcome.',
};

const CODE_WORDS: Record<NonNullable<DeclaredIngredient['code']>, string> = {
  ...SPECIES_WORDS,
  game: 'game meat',
  poultry: 'poultry meat',
  salt: 'salt',
  water: 'water',
  sodium_nitrite: 'sodium nitrite',
  nitrate: 'nitrate',
};

/** How an ingredient is declared. */
export const declaredWords = (d: DeclaredIngredient) =>
  d.code === null ? (d.name ?? '') : CODE_WORDS[d.code];

export const UNCLEAR_WORDS: Record<UnclearReason, string> = {
  no_amount: 'No amount could be read. Write it as “18 g salt” or “2 tsp pepper”.',
  unknown_measure: 'This measure is not known. Weigh it and write grams.',
  vague: 'No weight can be made of this. Weigh what you use and write grams.',
  too_long: 'This line is longer than any ingredient: write one ingredient a line.',
  packet_without_weight: 'How much does one packet weigh? Write “one 25 g packet per 100 kg”.',
  no_meat_weight: 'The list says no meat weight: add the meat, or a line such as “per 5 lb”.',
  two_cures: 'A second cure. A recipe has one: decide which.',
  basis_disagrees:
    'The basis (“per …”) and the meat in the list are not the same weight; the basis was taken. Put one of them right.',
  meat_by_volume: 'Meat by cups or spoons: write its weight.',
};
