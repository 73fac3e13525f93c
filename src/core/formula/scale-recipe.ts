import { QuantityError, requirePositive } from '../guard';
import { batterFromCasing } from './casing-length';
import { compose, type Composition } from './compose';
import { ppmFromWeighed } from './dose-cure';
import type { Cure, DoseBasis, PlaceInProcess, Recipe } from '../recipe/recipe';

/** A bench scale: what it can carry and the smallest step it shows. */
export type Scale = { id: string; name: string; capacityG: number; resolutionG: number };

export type DoseLine = {
  lineId: string;
  name: string;
  kind: 'meat' | 'cure' | 'salt' | 'addition';
  /** Exact target, g, never rounded. */
  targetG: number;
  /** Target at the resolution of `scale`, g; equals targetG when no scale carries it. */
  doseG: number;
  scale: Scale | null;
  /** doseG − targetG, g: within half a division of the scale. */
  roundingG: number;
  /** The scale's division is more than 2 % of the dose: a finer one is needed. */
  coarse: boolean;
  /** Where in the process it goes in; null when the recipe does not say. */
  step: PlaceInProcess | null;
};

/** What is known on the day, one of: meat, finished weight wanted, batter (room or stuffer), casing, one trim. */
export type ScaleBy =
  | { meatG: number }
  | { finishedG: number }
  | { batterG: number }
  | { casingM: number }
  | { trims: Record<string, number> };

export type DoseSheet = Composition & { lines: DoseLine[] };

/** Ids of the two lines that every recipe has without writing them. */
export const CURE_LINE = 'cure';
export const SALT_LINE = 'salt';

/** A scale's division may be at most this share of a dose. */
export const COARSE_SHARE = 0.02;

/**
 * The finest scale that still carries the mass, or null when none does.
 * @param scales capacity and division, g · @param massG what it is to carry, g
 */
export function pickScale(scales: readonly Scale[], massG: number): Scale | null {
  const able = scales.filter((s) => s.capacityG >= massG);
  return able.reduce<Scale | null>(
    (best, s) => (best && best.resolutionG <= s.resolutionG ? best : s),
    null,
  );
}

/**
 * Rounds a mass to whole scale divisions, free of binary noise such as 19.200000000000003.
 * @param massG g · @param resolutionG one division, g, > 0
 */
export function roundToScale(massG: number, resolutionG: number): number {
  const decimals = Math.max(0, Math.ceil(-Math.log10(resolutionG)) + 1);
  return Number((Math.round(massG / resolutionG) * resolutionG).toFixed(decimals));
}

/**
 * Plain salt left to add once the cure is weighed: the salt target less what `cureG` and the additions
 * bring, g. Negative means that they alone bring more salt than the recipe wants.
 * @param meatG meat block, g · @param cureG cure as it is weighed, g
 */
export function plainSalt(recipe: Recipe, meatG: number, cureG: number): number {
  const saltShare = recipe.cure ? 1 - recipe.cure.nitriteFraction - recipe.cure.nitrateFraction : 0;
  const others = recipe.additions.reduce((sum, a) => sum + a.fraction * (a.saltFraction ?? 0), 0);
  return (recipe.totalSaltFraction - others) * meatG - cureG * saltShare;
}

/**
 * Meat block that a known quantity leads to, g. All but the meat is in proportion to it, so finished
 * weight, batter and casing follow from one kilogram; of several trims the scarcest decides.
 * @param by one of meatG, finishedG, batterG (g, > 0), casingM (m, > 0), or trims by their id (g)
 * @throws RangeError naming the quantity that is not positive, or a trim that the recipe does not use
 */
export function meatFor(recipe: Recipe, by: ScaleBy): number {
  if ('meatG' in by) return requirePositive('meatG', by.meatG);
  if ('trims' in by) return meatForTrims(recipe, by.trims);
  const unit = compose(recipe, 1000);
  if ('finishedG' in by)
    return (requirePositive('finishedG', by.finishedG) * 1000) / unit.finishedG;
  if ('batterG' in by) return (requirePositive('batterG', by.batterG) * 1000) / unit.batterG;
  const { diameterMm, wasteFraction = 0 } = recipe.casing;
  return (
    (batterFromCasing({ metres: by.casingM, diameterMm, wasteFraction }) * 1000) / unit.batterG
  );
}

function meatForTrims(recipe: Recipe, trims: Record<string, number>): number {
  const limits = Object.entries(trims).map(([id, availableG]) => {
    const line = recipe.meat.find((m) => m.id === id);
    if (!line) throw new QuantityError('trims', id, 'lines of the recipe’s meat block');
    return requirePositive(line.name, availableG) / line.share;
  });
  if (limits.length === 0) throw new QuantityError('trims', trims, 'at least one trim');
  return Math.min(...limits);
}

/** Limits of a dose rule, mg/kg of its basis as sodium nitrite. */
export type DoseLimits = { basis: DoseBasis; minPpm: number; maxPpm: number };

/** Divisions that a dose may be moved by to lie inside its limits. */
const MOST_STEPS = 20;

/**
 * A dose whose rounding would carry it over a limit is moved inward by whole divisions: what the sheet says,
 * weighed exactly on its scale, always passes, with the whole band that the scale can tell below the most.
 * A target that itself lies outside is left as it is: the rule refuses it by name.
 */
function inward(line: DoseLine, cure: Cure, c: Composition, limits: DoseLimits): DoseLine {
  if (!line.scale) return line;
  const basisG =
    limits.basis === 'meat_block'
      ? c.meatG
      : limits.basis === 'whole_batch'
        ? c.batterG
        : c.finishedG;
  const { resolutionG } = line.scale;
  const ppmOf = (cureG: number) =>
    ppmFromWeighed({ basisG, cureG, nitriteFraction: cure.nitriteFraction });
  const target = ppmOf(line.targetG);
  if (target > limits.maxPpm || target < limits.minPpm) return line;
  let { doseG } = line;
  for (let n = 0; n < MOST_STEPS && ppmOf(doseG + resolutionG / 2) > limits.maxPpm; n += 1)
    doseG = roundToScale(doseG - resolutionG, resolutionG);
  for (let n = 0; n < MOST_STEPS && ppmOf(Math.max(0, doseG)) < limits.minPpm; n += 1)
    doseG = roundToScale(doseG + resolutionG, resolutionG);
  return { ...line, doseG, roundingG: doseG - line.targetG };
}

/**
 * Dose sheet of a recipe for what is known on the day: meat, cure, salt, additions, in that order,
 * each with the scale that weighs it and what rounding to that scale does.
 * @param by one known quantity, see {@link ScaleBy}; masses g, casing m, > 0
 * @param options.scales the site's scales · @param options.weighedCureG the cure once it is weighed:
 * plain salt then follows what it really brings
 * @param options.dose the dose rule's limits: the cure's dose is rounded inward at them, see {@link inward}
 * @throws RangeError naming the quantity that is out of its interval
 */
export function scaleRecipe(
  recipe: Recipe,
  by: ScaleBy,
  options: { scales?: readonly Scale[]; weighedCureG?: number; dose?: DoseLimits } = {},
): DoseSheet {
  const meatG = meatFor(recipe, by);
  const composed = compose(recipe, meatG);
  const line = (
    lineId: string,
    name: string,
    kind: DoseLine['kind'],
    targetG: number,
    step: PlaceInProcess | null = null,
  ): DoseLine => {
    const scale = pickScale(options.scales ?? [], targetG);
    const doseG = scale ? roundToScale(targetG, scale.resolutionG) : targetG;
    const coarse = scale !== null && scale.resolutionG > COARSE_SHARE * targetG;
    return { lineId, name, kind, targetG, doseG, scale, roundingG: doseG - targetG, coarse, step };
  };
  const lines = recipe.meat.map((m) => line(m.id, m.name, 'meat', m.share * meatG));
  if (recipe.cure) {
    const cure = line(CURE_LINE, recipe.cure.name, 'cure', composed.cureG);
    lines.push(options.dose ? inward(cure, recipe.cure, composed, options.dose) : cure);
  }
  const saltG =
    options.weighedCureG === undefined
      ? composed.plainSaltG
      : plainSalt(recipe, meatG, options.weighedCureG);
  if (saltG > 1e-9 * meatG) lines.push(line(SALT_LINE, 'Salt', 'salt', saltG));
  for (const a of recipe.additions)
    lines.push(line(a.id, a.name, 'addition', a.fraction * meatG, a.place ?? null));
  return { ...composed, lines };
}
