import { CURE_LINE, SALT_LINE, type BatchState, type LotProblem, type Recipe } from '@/core';

/** What of a lot decides whether it may go into a batch. */
export type LotFacts = {
  id: string;
  ingredient: string;
  kind: 'meat' | 'cure' | 'salt' | 'addition';
  useBy: string | null;
  nitriteFraction: number | null;
  nitrateFraction: number | null;
  owner: string | null;
};

/** Strengths closer than this count as the same: labels round. */
const SAME_STRENGTH = 0.02;

export const sameStrength = (a: number, b: number) =>
  Math.abs(a - b) <= SAME_STRENGTH * Math.max(a, b);

export const sameName = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/** The ingredient that a line of a recipe asks for. */
export function ingredientOf(recipe: Recipe, lineId: string): string {
  if (lineId === CURE_LINE) return recipe.cure?.name ?? 'Cure';
  if (lineId === SALT_LINE) return 'Salt';
  return [...recipe.meat, ...recipe.additions].find((l) => l.id === lineId)?.name ?? lineId;
}

/**
 * What speaks against weighing a lot into a line: past its use-by (a day in the site's zone), another
 * ingredient, a cure of another strength, or meat of another owner than the batch's.
 * @param owners owners of the meat lots already in the batch; null is the house's own
 */
export function lotProblems(
  recipe: Recipe,
  lineId: string,
  lot: LotFacts,
  today: string,
  owners: readonly (string | null)[],
): LotProblem[] {
  const found: LotProblem[] = [];
  if (lot.useBy !== null && lot.useBy < today) found.push('past_use_by');
  if (!sameName(lot.ingredient, ingredientOf(recipe, lineId))) found.push('wrong_ingredient');
  if (lineId === CURE_LINE && recipe.cure) {
    const { nitriteFraction, nitrateFraction } = recipe.cure;
    const nitrite = lot.nitriteFraction ?? 0;
    const nitrate = lot.nitrateFraction ?? 0;
    if (!sameStrength(nitrite, nitriteFraction) || nitrate > 0 !== nitrateFraction > 0)
      found.push('wrong_strength');
  }
  const isMeat = recipe.meat.some((m) => m.id === lineId);
  const others = owners.filter((o) => o !== null && o !== lot.owner);
  if (isMeat && lot.owner !== null && (others.length > 0 || !recipe.customersMeat))
    found.push('other_owner');
  return found;
}

/** Problems of a lot, or of a typed label (lotId null), that nobody has decided on in this batch. */
export function undecided(
  state: BatchState,
  lineId: string,
  lotId: string | null,
  problems: readonly LotProblem[],
  nitriteFraction: number | null,
): LotProblem[] {
  const decided = state.allowedLots
    .filter((a) => a.lotId === lotId && a.lineId === lineId)
    .filter(
      (a) =>
        lotId !== null ||
        (a.nitriteFraction !== null &&
          nitriteFraction !== null &&
          sameStrength(a.nitriteFraction, nitriteFraction)),
    )
    .flatMap((a) => a.problems);
  return problems.filter((p) => !decided.includes(p));
}
