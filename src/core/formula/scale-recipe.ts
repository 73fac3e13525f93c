import { requirePositive } from '../guard';
import { doseCure } from './dose-cure';
import type { Recipe } from './recipe';

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
};

/** Ids of the two lines that every recipe has without writing them. */
export const CURE_LINE = 'cure';
export const SALT_LINE = 'salt';

/** The finest scale that still carries the mass, or null when none does. */
export function pickScale(scales: readonly Scale[], massG: number): Scale | null {
  const able = scales.filter((s) => s.capacityG >= massG);
  return able.reduce<Scale | null>(
    (best, s) => (best && best.resolutionG <= s.resolutionG ? best : s),
    null,
  );
}

/** Rounds a mass to whole scale divisions, free of binary noise such as 19.200000000000003. */
export function roundToScale(massG: number, resolutionG: number): number {
  const decimals = Math.max(0, Math.ceil(-Math.log10(resolutionG)) + 1);
  return Number((Math.round(massG / resolutionG) * resolutionG).toFixed(decimals));
}

/**
 * Plain salt left to add: `totalSaltFraction × meatG − cureG × (1 − nitrite − nitrate)`.
 * Negative means that the cure alone brings more salt than the recipe wants.
 */
export function plainSalt(recipe: Recipe, meatG: number, cureG: number): number {
  const saltShare = recipe.cure ? 1 - recipe.cure.nitriteFraction - recipe.cure.nitrateFraction : 0;
  return recipe.totalSaltFraction * meatG - cureG * saltShare;
}

/**
 * Dose list of a recipe for the meat weight at hand: meat, cure, salt, additions, in that order.
 * Everything but the meat is in proportion to `meatG`; salt counts what the cure brings, using
 * `cureG` when the cure is already weighed and the target dose otherwise.
 * @param meatG today's meat block, g, > 0
 * @throws RangeError when meatG is not a positive number
 */
export function scaleRecipe(
  recipe: Recipe,
  meatG: number,
  scales: readonly Scale[],
  cureG?: number,
): DoseLine[] {
  requirePositive('meatG', meatG);
  const line = (
    lineId: string,
    name: string,
    kind: DoseLine['kind'],
    targetG: number,
  ): DoseLine => {
    const scale = pickScale(scales, targetG);
    return {
      lineId,
      name,
      kind,
      targetG,
      doseG: scale ? roundToScale(targetG, scale.resolutionG) : targetG,
      scale,
    };
  };
  const lines = recipe.meat.map((m) => line(m.id, m.name, 'meat', m.share * meatG));
  let cure = 0;
  if (recipe.cure) {
    const { nitriteFraction, targetPpm, name } = recipe.cure;
    const target = doseCure({ basisG: meatG, targetPpm, nitriteFraction }).cureG;
    cure = cureG ?? target;
    lines.push(line(CURE_LINE, name, 'cure', target));
  }
  const salt = plainSalt(recipe, meatG, cure);
  if (salt > 0) lines.push(line(SALT_LINE, 'Salt', 'salt', salt));
  for (const a of recipe.additions) lines.push(line(a.id, a.name, 'addition', a.fraction * meatG));
  return lines;
}
