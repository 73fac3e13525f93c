import {
  CURE_LINE,
  pickScale,
  roundToScale,
  scaleRecipe,
  shareLoads,
  sheetLimits,
  weighingsOf,
  type Case,
  type DoseLine,
  type Recipe,
  type Scale,
} from '@/core';
import { lineKey, type LoadLine, type WeighedLine } from './contract';

/** The recipe with the strength of the cure that was really weighed: plain salt follows it. */
const withCureAsWeighed = (recipe: Recipe, nitriteFraction: number | null): Recipe =>
  recipe.cure && nitriteFraction !== null
    ? { ...recipe, cure: { ...recipe.cure, nitriteFraction } }
    : recipe;

/**
 * The dose sheet of a batch as it stands: by the meat that was weighed, with what its cure really brought. A batch that is made
 * in loads has a line for each of them: the cure worked out for a load by itself, all else as equal shares whose sum is exact.
 */
export function dosesOf(c: Pick<Case, 'recipe' | 'rules' | 'state'>, scales: readonly Scale[]) {
  const { state } = c;
  const cure = state.weighed[CURE_LINE];
  const recipe = withCureAsWeighed(c.recipe, cure?.nitriteFraction ?? null);
  const meatG = state.meatG ?? state.plannedMeatG;
  const dose = sheetLimits(c.rules.dose.body);
  const sheet = scaleRecipe(recipe, { meatG }, { scales, weighedCureG: cure?.amountG, dose });
  const lines = sheet.lines.flatMap((l): LoadLine[] =>
    state.loads === 1 || l.kind === 'meat'
      ? [{ ...l, load: null }]
      : l.kind === 'cure'
        ? cureByLoad(recipe, meatG, state.loads, { scales, dose })
        : byLoad(l, state.loads, scales),
  );
  return { ...sheet, lines };
}

function cureByLoad(
  recipe: Recipe,
  meatG: number,
  loads: number,
  options: Parameters<typeof scaleRecipe>[2],
): LoadLine[] {
  const one = scaleRecipe(recipe, { meatG: meatG / loads }, options);
  const line = one.lines.find((l) => l.lineId === CURE_LINE)!;
  return Array.from({ length: loads }, (_, i) => ({ ...line, load: i + 1 }));
}

function byLoad(l: DoseLine, loads: number, scales: readonly Scale[]): LoadLine[] {
  const scale = pickScale(scales, l.targetG / loads);
  const resolutionG = scale?.resolutionG ?? l.targetG / loads;
  const totalG = scale ? roundToScale(l.targetG, resolutionG) : l.targetG;
  const shares = scale
    ? shareLoads(totalG, loads, [{ lineId: l.lineId, totalG, resolutionG }])
    : null;
  const targetG = l.targetG / loads;
  return Array.from({ length: loads }, (_, i) => {
    const doseG = shares?.[i]!.lines[0]!.amountG ?? targetG;
    return {
      ...l,
      load: i + 1,
      targetG,
      doseG,
      scale,
      roundingG: doseG - targetG,
      coarse: l.coarse,
    };
  });
}

/** What was weighed of each line, or of each load's share of it, by its key; what is still to be weighed is not in it. */
export const weighedByKey = (
  lines: readonly LoadLine[],
  state: Case['state'],
): Record<string, WeighedLine> =>
  Object.fromEntries(
    lines.flatMap((l) => {
      const parts = weighingsOf(state, l.lineId).filter((w) => w.load === l.load);
      const last = parts.at(-1);
      if (!last) return [];
      const amountG = parts.reduce((sum, w) => sum + w.amountG, 0);
      return [[lineKey(l), { ...last, amountG, times: parts.length }]];
    }),
  );
