import {
  CURE_LINE,
  meatOfLoad,
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
  const whole = (l: DoseLine): LoadLine => ({ ...l, load: null });
  if (state.loads === 1) return { ...sheet, lines: sheet.lines.map(whole) };
  const meats = Array.from({ length: state.loads }, (_, i) =>
    state.meatG === null ? meatG / state.loads : meatOfLoad(state, c.recipe, i + 1),
  );
  const equal = meats.every((g) => Math.abs(g - meats[0]!) < 1e-6);
  const lines = sheet.lines.flatMap((l): LoadLine[] => {
    if (l.kind === 'meat') return [whole(l)];
    if (equal && l.kind !== 'cure') return byLoad(l, state.loads, scales);
    return forEach(recipe, l.lineId, meats, { scales, dose });
  });
  return { ...sheet, lines };
}

/** A line worked out for each load by its own meat. */
const forEach = (
  recipe: Recipe,
  lineId: string,
  meats: readonly number[],
  options: Parameters<typeof scaleRecipe>[2],
): LoadLine[] =>
  meats.flatMap((meatG, i) =>
    scaleRecipe(recipe, { meatG }, options)
      .lines.filter((l) => l.lineId === lineId)
      .map((l) => ({ ...l, load: i + 1 })),
  );

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
      const all = weighingsOf(state, l.lineId);
      /* Meat that was put to one load stands with the rest of its line. */
      const parts = l.kind === 'meat' ? all : all.filter((w) => w.load === l.load);
      const last = parts.at(-1);
      if (!last) return [];
      const amountG = parts.reduce((sum, w) => sum + w.amountG, 0);
      return [[lineKey(l), { ...last, amountG, times: parts.length }]];
    }),
  );
