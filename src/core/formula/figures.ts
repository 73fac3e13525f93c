import { finalPh } from '../fermentation/final-ph';
import { compose, yieldOf, type Composition } from './compose';
import {
  allergensOf,
  declareIngredients,
  unreadLines,
  type DeclaredIngredient,
} from './declaration';
import { acceleratorPpm, type Addition, type Allergen, type Recipe } from '../recipe/recipe';
import { FAT_FREE_MEAT, NATURAL_WATER_PER_PROTEIN } from './tables/meat-composition';

/** All that a formula comes to, for one kilogram of meat block. */
export type RecipeFigures = {
  composed: Composition;
  /** Fat of the meat block, by mass; null while a meat line has no fat figure. */
  meatFatFraction: number | null;
  /** Of the finished product, by mass; null while a meat line has no fat figure. */
  productFatFraction: number | null;
  addedWaterFraction: number | null;
  /** Salt of the meat block and of the batter: people write either. */
  saltOfMeat: number;
  saltOfBatter: number;
  /** All water that is added, of the meat block. */
  waterOfMeat: number;
  /** Of the finished product. */
  binderFraction: number;
  phosphateFraction: number;
  acceleratorPpm: number;
  /** g per kg of meat block: all sugars, and what of them ferments like dextrose. */
  sugarGPerKg: number;
  dextroseGPerKg: number;
  /** Forecast pH; null for goods that are not fermented. */
  finalPh: number | null;
  yieldFraction: number;
  /** Cost per kg of batter and of finished product; null while a line has no cost. */
  rawCostPerKg: number | null;
  finishedCostPerKg: number | null;
  /** Lines without a cost. */
  unpriced: string[];
  allergens: Allergen[];
  /** Additions whose allergens are not known yet. */
  unread: string[];
  declaration: DeclaredIngredient[];
};

/** A sugar that says nothing else ferments half as well as dextrose: slowly, and not to the end. */
export const SLOW_SUGAR = 0.5;

const ofKind = (recipe: Recipe, kind: Addition['kind']) =>
  recipe.additions.filter((a) => a.kind === kind).reduce((sum, a) => sum + a.fraction, 0);

/** Water that an addition brings, by mass: all of a water line, what the label says of others. */
const waterIn = (a: Addition) => (a.kind === 'water' ? 1 : (a.waterFraction ?? 0));

function composition(recipe: Recipe, finishedG: number, batterG: number) {
  if (recipe.meat.some((m) => m.fatFraction === undefined)) return null;
  const meatFat = recipe.meat.reduce((sum, m) => sum + m.share * m.fatFraction!, 0);
  const otherFat = recipe.additions.reduce((sum, a) => sum + a.fraction * (a.fatFraction ?? 0), 0);
  const proteinG = (1 - meatFat) * FAT_FREE_MEAT.protein * 1000;
  const addedG = recipe.additions.reduce((sum, a) => sum + a.fraction * waterIn(a), 0) * 1000;
  const waterG = (1 - meatFat) * FAT_FREE_MEAT.water * 1000 + addedG - (batterG - finishedG);
  return {
    meatFat,
    productFat: ((meatFat + otherFat) * 1000) / finishedG,
    addedWater: Math.max(0, waterG - NATURAL_WATER_PER_PROTEIN * proteinG) / finishedG,
  };
}

/**
 * Fat and water of a recipe's batter, by mass; null while a meat line has no fat figure.
 * @param recipe fat of meat lines by mass, [0, 1]
 * @source fat-free meat as {@link FAT_FREE_MEAT}
 */
export function batterComposition(
  recipe: Recipe,
): { fatFraction: number; waterFraction: number } | null {
  if (recipe.meat.some((m) => m.fatFraction === undefined)) return null;
  const { batterG } = compose(recipe, 1000);
  const meatFat = recipe.meat.reduce((sum, m) => sum + m.share * m.fatFraction!, 0);
  const fatG =
    1000 * (meatFat + recipe.additions.reduce((s, a) => s + a.fraction * (a.fatFraction ?? 0), 0));
  const waterG =
    1000 *
    ((1 - meatFat) * FAT_FREE_MEAT.water +
      recipe.additions.reduce((s, a) => s + a.fraction * waterIn(a), 0));
  return { fatFraction: fatG / batterG, waterFraction: waterG / batterG };
}

function cost(recipe: Recipe, c: Composition, casingM: number) {
  const priced: [string, number | undefined, number][] = [
    ...recipe.meat.map((m): [string, number | undefined, number] => [m.name, m.costPerKg, m.share]),
    ...recipe.additions.map((a): [string, number | undefined, number] => [
      a.name,
      a.kind === 'water' ? (a.costPerKg ?? 0) : a.costPerKg,
      a.fraction,
    ]),
    ['Salt', recipe.saltCostPerKg ?? 0, c.plainSaltG / 1000],
  ];
  if (recipe.cure) priced.push([recipe.cure.name, recipe.cure.costPerKg, c.cureG / 1000]);
  const unpriced = priced.filter(([, perKg]) => perKg === undefined).map(([name]) => name);
  const total =
    priced.reduce((sum, [, perKg, kg]) => sum + (perKg ?? 0) * kg, 0) +
    casingM * (recipe.casingCostPerM ?? 0);
  const known = unpriced.length === 0;
  return {
    unpriced,
    rawCostPerKg: known ? (total * 1000) / c.batterG : null,
    finishedCostPerKg: known ? (total * 1000) / c.finishedG : null,
  };
}

/**
 * Everything that a formula comes to, worked out for one kilogram of meat block: fat, salt, nitrite,
 * water, binder, phosphate, sugars and the pH they allow, yield, cost, allergens, declaration.
 * Added water follows the finished product: water of meat and additions less the loss, less four times
 * the protein. A figure that a missing one makes impossible is null, never a guess.
 * @param recipe shares and fractions of the meat block · @param casingMPerKg casing for a kilogram of meat, m, ≥ 0
 * @throws RangeError when the recipe's cure cannot reach its ppm at all
 * @source 9 CFR 319.140, 319.180 (fat and added water of the finished product)
 */
export function recipeFigures(recipe: Recipe, casingMPerKg = 0): RecipeFigures {
  const composed = compose(recipe, 1000);
  const { batterG, finishedG } = composed;
  const parts = composition(recipe, finishedG, batterG);
  const sugars = recipe.additions.filter((a) => a.kind === 'sugar');
  const dextroseGPerKg =
    1000 * sugars.reduce((sum, a) => sum + a.fraction * (a.dextroseFraction ?? SLOW_SUGAR), 0);
  const ofProduct = (kind: Addition['kind']) => (ofKind(recipe, kind) * 1000) / finishedG;
  return {
    composed,
    meatFatFraction: parts?.meatFat ?? null,
    productFatFraction: parts?.productFat ?? null,
    addedWaterFraction: parts?.addedWater ?? null,
    saltOfMeat: composed.saltFraction,
    saltOfBatter: (composed.saltFraction * 1000) / batterG,
    waterOfMeat: ofKind(recipe, 'water'),
    binderFraction: ofProduct('binder'),
    phosphateFraction: ofProduct('phosphate'),
    acceleratorPpm: acceleratorPpm(recipe),
    sugarGPerKg: ofKind(recipe, 'sugar') * 1000,
    dextroseGPerKg,
    finalPh: recipe.fermentation
      ? finalPh({ dextroseGPerKg, floorPh: recipe.fermentation.floorPh })
      : null,
    yieldFraction: yieldOf(recipe),
    ...cost(recipe, composed, casingMPerKg),
    allergens: allergensOf(recipe),
    unread: unreadLines(recipe),
    declaration: declareIngredients(recipe),
  };
}
