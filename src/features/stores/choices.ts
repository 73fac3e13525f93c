import { CURE_LINE, SALT_LINE, weighingsOf, type BatchState, type Recipe } from '@/core';
import type { Handle } from '@/platform/db/client';
import type { LotChoice } from './contract';
import { ingredientOf, lotProblems, sameName, undecided } from './lot-problems';
import { lotsByIds, openLots } from './repository';

/**
 * The lots in the stores for each line of a batch that is not weighed yet, first to be used first. For
 * the cure also lots of other names, so that the strength at hand can be chosen and decided on.
 */
export async function lotChoices(
  db: Handle,
  recipe: Recipe,
  state: BatchState,
  today: string,
): Promise<Record<string, LotChoice[]>> {
  const lots = await openLots(db);
  const meatIds = recipe.meat.map((m) => m.id);
  const used = meatIds.flatMap((id) => weighingsOf(state, id).flatMap((w) => w.lotId ?? []));
  const owners = (await lotsByIds(db, used)).map((l) => l.owner);
  const lines = [...meatIds, CURE_LINE, SALT_LINE, ...recipe.additions.map((a) => a.id)];
  const fitting = (lineId: string) =>
    lots.filter(
      (l) =>
        sameName(l.ingredient, ingredientOf(recipe, lineId)) ||
        (lineId === CURE_LINE && l.kind === 'cure'),
    );
  return Object.fromEntries(
    lines.map((lineId) => [
      lineId,
      fitting(lineId).map(({ id, code, leftG, useBy, owner, nitriteFraction, ...lot }) => {
        const facts = { ...lot, id, useBy, owner, nitriteFraction };
        const found = lotProblems(recipe, lineId, facts, today, owners);
        const problems = undecided(state, lineId, id, found, nitriteFraction);
        return {
          id,
          code: lineId === CURE_LINE ? `${lot.ingredient}, ${code}` : code,
          leftG,
          useBy,
          owner,
          nitriteFraction,
          problems,
        };
      }),
    ]),
  );
}
