import { QuantityError, requirePositive } from '../guard';
import type { Addition, DoseBasis, Recipe } from '../recipe/recipe';
import { splitSalt, type SaltConflict } from './split-salt';

/** Finished weight over batter weight where a recipe does not say: a usual smoked and cooked loss. */
export const USUAL_YIELD = 0.88;

/**
 * Finished weight over batter weight, (0, 1].
 * @param recipe its own figure, else {@link USUAL_YIELD}
 */
export const yieldOf = (recipe: Recipe) => recipe.expectedYield ?? USUAL_YIELD;

/** What a recipe comes to on a meat weight, g. */
export type Composition = {
  meatG: number;
  cureG: number;
  plainSaltG: number;
  /** Salt that additions bring. */
  saltFromOthersG: number;
  additionsG: number;
  /** Meat, cure, salt and all additions, inclusions too: what goes into the casing. */
  batterG: number;
  finishedG: number;
  /** Salt from all sources, of the meat block. */
  saltFraction: number;
  /** Mass that the recipe's ppm refers to. */
  basisG: number;
  /** Sodium nitrite on that basis; 0 without cure. */
  ppm: number;
  /** Why nitrite and salt targets cannot both hold, with the ways out; null when they do. */
  conflict: SaltConflict | null;
};

const sumOf = (additions: readonly Addition[], part: (a: Addition) => number) =>
  additions.reduce((sum, a) => sum + a.fraction * part(a), 0);

/**
 * Mass that the ppm refers to, per basis. For the whole batch and the finished weight the cure itself
 * is part of the basis: with `b` the rest of the batch, `f` the nitrite fraction and `y` the yield
 * (1 for the whole batch), `cureG = ppm·y·b / (1e6·f − ppm·y·g)`, where a gram of cure makes the batch
 * `g` heavier: 1 when no plain salt is left to take out, else the nitrite and nitrate only.
 */
function basisMass(recipe: Recipe, meatG: number): number {
  const cure = recipe.cure;
  const basis: DoseBasis = cure?.basis ?? 'meat_block';
  if (!cure || basis === 'meat_block') return meatG;
  const { nitriteFraction: f, nitrateFraction: n } = cure;
  const scaled = cure.targetPpm * (basis === 'finished' ? yieldOf(recipe) : 1);
  const additions = sumOf(recipe.additions, () => 1);
  const plain = Math.max(0, recipe.totalSaltFraction - sumOf(recipe.additions, saltIn));
  const cureFor = (restG: number, gain: number) => (scaled * restG) / (1e6 * f - scaled * gain);
  const split = cureFor(meatG * (1 + additions + plain), f + n);
  const fits = split >= 0 && split * (1 - f - n) <= plain * meatG;
  const cureG = fits ? split : cureFor(meatG * (1 + additions), 1);
  if (!(cureG >= 0 && Number.isFinite(cureG)))
    throw new QuantityError('targetPpm', cure.targetPpm, 'below what this cure can reach');
  return cure.targetPpm > 0 ? (cureG * f * 1e6) / cure.targetPpm : meatG;
}

const saltIn = (a: Addition) => a.saltFraction ?? 0;

/**
 * Masses of a recipe on a meat weight: cure from its ppm and basis, plain salt from what the cure and
 * the additions leave of the salt target, never negative (then `conflict` says so).
 * @param meatG meat block, g, > 0
 * @throws RangeError when meatG is not positive or the cure cannot reach the ppm at all
 */
export function compose(recipe: Recipe, meatG: number): Composition {
  requirePositive('meatG', meatG);
  const saltFromOthersG = sumOf(recipe.additions, saltIn) * meatG;
  const additionsG = sumOf(recipe.additions, () => 1) * meatG;
  const base = { meatG, saltFromOthersG, additionsG };
  if (!recipe.cure) {
    const plainSaltG = Math.max(0, recipe.totalSaltFraction * meatG - saltFromOthersG);
    const batterG = meatG + additionsG + plainSaltG;
    const saltFraction = (plainSaltG + saltFromOthersG) / meatG;
    const finishedG = batterG * yieldOf(recipe);
    const none = { cureG: 0, basisG: meatG, ppm: 0, conflict: null };
    return { ...base, ...none, plainSaltG, batterG, finishedG, saltFraction };
  }
  const basisG = basisMass(recipe, meatG);
  const split = splitSalt({
    meatG,
    basisG,
    targetSaltFraction: recipe.totalSaltFraction,
    targetPpm: recipe.cure.targetPpm,
    nitriteFraction: recipe.cure.nitriteFraction,
    nitrateFraction: recipe.cure.nitrateFraction,
    saltFromOthersG,
  });
  const { cureG, plainSaltG, saltFraction, ppm } = split.feasible ? split : split.options[0]!;
  const batterG = meatG + additionsG + cureG + plainSaltG;
  return {
    ...base,
    cureG,
    plainSaltG,
    batterG,
    finishedG: batterG * yieldOf(recipe),
    saltFraction,
    basisG,
    ppm,
    conflict: split.feasible ? null : split,
  };
}

/**
 * Mass of a basis in a composed batch, g.
 * @param composed masses in g · @param basis what a ppm is of
 */
export function basisOf(composed: Composition, basis: DoseBasis): number {
  if (basis === 'meat_block') return composed.meatG;
  return basis === 'whole_batch' ? composed.batterG : composed.finishedG;
}
