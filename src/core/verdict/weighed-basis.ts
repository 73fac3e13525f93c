import { yieldOf } from '../formula/compose';
import { ppmFromWeighed } from '../formula/dose-cure';
import type { DoseBasis, Recipe } from '../recipe/recipe';
import { CURE_LINE, SALT_LINE, plainSalt } from '../formula/scale-recipe';
import type { Weighed } from '../logbook/kinds/weighing';
import type { BatchState } from '../logbook/state';
import { dosedLines } from '../logbook/load-gaps';
import type { CureHoldRule } from '../rules/rule';
import { requiredHoldS } from '../schedule/recipe-blocks';
import type { Case } from './check';

/** An amount further from its target than this share is a question before it counts. */
export const FAR_SHARE = 0.2;

export type WeighedBasis = {
  basisG: number;
  /** Sum of the scale divisions behind it, g. */
  resolutionG: number;
  /** Lines weighed far from what the recipe plans for this meat, that nobody stands by: they count as planned. */
  far: string[];
};

/**
 * Mass that a dose rule's ppm refers to in a batch, g, with the sum of the scale divisions behind it.
 * For the whole batch, what has been weighed counts as weighed and the rest as the recipe plans it for
 * the meat that is there; the finished weight is the packed one once it is known, else the expected.
 */
export function weighedBasis(
  recipe: Recipe,
  state: BatchState,
  meatG: number,
  basis: DoseBasis,
): WeighedBasis {
  let resolutionG = state.meatResolutionG;
  if (basis === 'meat_block') return { basisG: meatG, resolutionG, far: [] };
  const finishedG = state.steps.pack?.weightG;
  /* The cure of the whole batter stands against the whole finished weight: a part is its share of it. */
  if (basis === 'finished' && finishedG)
    return { basisG: finishedG / (recipe.ofPart?.share ?? 1), resolutionG: 0, far: [] };
  const far: string[] = [];
  const massOf = (lineId: string, plannedG: number) => {
    const weighed = state.weighed[lineId];
    if (!weighed) return plannedG;
    const off = Math.abs(weighed.amountG - plannedG);
    if (off > FAR_SHARE * plannedG + weighed.scaleResolutionG && !weighed.confirmed) {
      far.push(lineId);
      return plannedG;
    }
    resolutionG += weighed.scaleResolutionG;
    return weighed.amountG;
  };
  const cureG = state.weighed[CURE_LINE]?.amountG ?? 0;
  resolutionG += state.weighed[CURE_LINE]?.scaleResolutionG ?? 0;
  const saltG = massOf(SALT_LINE, Math.max(0, plainSalt(recipe, meatG, cureG)));
  const additionsG = recipe.additions.reduce((sum, a) => sum + massOf(a.id, a.fraction * meatG), 0);
  const batterG = meatG + cureG + saltG + additionsG;
  return { basisG: basis === 'finished' ? batterG * yieldOf(recipe) : batterG, resolutionG, far };
}

/** Strength of the cure as weighed: of several lots, by their amounts; the recipe's where nobody read a label. */
export function nitriteOf(recipe: Recipe, cure: Weighed): number {
  const own = recipe.cure!.nitriteFraction;
  const nitriteG = cure.parts.reduce((sum, w) => sum + w.amountG * (w.nitriteFraction ?? own), 0);
  return cure.parts.length === 1 ? (cure.nitriteFraction ?? own) : nitriteG / cure.amountG;
}

/** In-going nitrite as weighed, ppm of the meat block; 0 while anything of it is not weighed. */
export function weighedPpm({ recipe, state }: Pick<Case, 'recipe' | 'state'>): number {
  const cure = state.weighed[CURE_LINE];
  if (!recipe.cure || !cure || state.meatG === null) return 0;
  const nitriteFraction = nitriteOf(recipe, cure);
  return ppmFromWeighed({ basisG: state.meatG, cureG: cure.amountG, nitriteFraction });
}

/** Accelerator as weighed, ppm of the meat block: what the recipe claims counts once it is in the bowl. */
export function weighedAcceleratorPpm(recipe: Recipe, state: BatchState): number {
  if (!state.meatG) return 0;
  const grams = recipe.additions
    .filter((a) => a.kind === 'accelerator')
    .reduce((sum, a) => sum + (state.weighed[a.id]?.amountG ?? 0), 0);
  return (grams * 1e6) / state.meatG;
}

/** Cure hold that a batch owes, s: what its recipe asks, less the waiver only where the accelerator was weighed. */
export function owedHoldS(
  { recipe, state }: Pick<Case, 'recipe' | 'state'>,
  rule: CureHoldRule,
): number {
  if (!recipe.cure) return 0;
  const planned = requiredHoldS(recipe, rule);
  if (planned > 0) return planned;
  return weighedAcceleratorPpm(recipe, state) >= rule.acceleratorFromPpm ? 0 : rule.minS;
}

/** Lines of the recipe that are not weighed, of those that it asks for; meat and cure among them. */
export const unweighedLines = (recipe: Recipe, state: BatchState): string[] =>
  [...recipe.meat.map((m) => m.id), ...dosedLines(recipe, state)].filter(
    (id) => !state.weighed[id],
  );
