import { scaleRecipe } from '../formula/scale-recipe';
import type { Recipe } from '../recipe/recipe';
import type { BatchState } from '../logbook/state';
import { weighingsOf } from '../logbook/chapters/weighing';
import type { MakingRule } from '../rules/rule';
import { unweighedFor } from '../logbook/load-gaps';
import { massBalance, type BalancePart, type MassBalance } from '../making/mass-balance';
import { makingPlan } from '../making/plan';

/** What one load was to hold, as weighed: meat by its share, all else by its own weighings; what was not weighed is not in it. */
export function bowlParts(
  recipe: Recipe,
  s: BatchState,
  rule: MakingRule,
  load: number | null,
): BalancePart[] {
  if (s.meatG === null) return [];
  const portions = new Map(
    makingPlan(recipe, rule).flatMap((r) =>
      r.adds.flatMap((a) => (a.portion ? [[a.lineId, a.portion[1]] as const] : [])),
    ),
  );
  return scaleRecipe(recipe, { meatG: s.meatG }).lines.flatMap((l): BalancePart[] => {
    const parts = weighingsOf(s, l.lineId);
    /* What was weighed for all is in each by its share. */
    const share = (w: { load: number | null }) =>
      load === null || w.load === load ? 1 : w.load === null ? 1 / s.loads : 0;
    const amountG = parts.reduce((sum, w) => sum + w.amountG * share(w), 0);
    if (amountG === 0) return [];
    const of = portions.get(l.lineId) ?? 1;
    return Array.from({ length: of }, (_, i) => ({
      lineId: l.lineId,
      name: l.name,
      amountG: amountG / of,
      ...(of > 1 ? { portion: [i + 1, of] as [number, number] } : {}),
    }));
  });
}

export type BowlFound = {
  load: number | null;
  atS: number;
  balance: MassBalance;
  /** Lines that were not weighed for it, by their id: what it was to weigh is not known. */
  unweighed: string[];
};

/** Every bowl that was weighed against what was weighed into it. */
export const bowlsFound = (recipe: Recipe, s: BatchState, rule: MakingRule): BowlFound[] =>
  s.bowls.flatMap((b) => {
    const parts = bowlParts(recipe, s, rule, b.load);
    if (parts.length === 0 || !(b.batterG > 0)) return [];
    const { batterG: bowlG, scaleResolutionG: scaleG } = b;
    const { clingShare } = rule;
    return [
      {
        load: b.load,
        atS: b.atS,
        balance: massBalance({ parts, bowlG, scaleG, clingShare }),
        unweighed: unweighedFor(recipe, s, b.load),
      },
    ];
  });
