import { CURE_LINE, SALT_LINE, plainSalt } from '../formula/scale-recipe';
import type { Recipe } from '../recipe/recipe';
import type { Tick } from './kinds/making';
import { weighingsOf } from './chapters/weighing';
import type { BatchState } from './state';
import { ticksOf } from './done';
import type { PlanRow } from '../making/plan';

/** What is weighed beside the meat, of what a recipe asks for: cure, the salt that the cure does not bring, additions. */
export function dosedLines(recipe: Recipe, s: BatchState): string[] {
  const cureG = s.weighed[CURE_LINE]?.amountG ?? 0;
  const asksSalt = s.meatG === null || plainSalt(recipe, s.meatG, cureG) > 1e-9 * s.meatG;
  return [
    ...(recipe.cure ? [CURE_LINE] : []),
    ...(asksSalt && recipe.totalSaltFraction > 0 ? [SALT_LINE] : []),
    ...recipe.additions.filter((a) => a.fraction > 0).map((a) => a.id),
  ];
}

/** Was a line weighed for a load by a time, s? What was weighed for all is in every load; the whole has it once each has. */
function isThere(s: BatchState, lineId: string, load: number | null, byS: number): boolean {
  const parts = weighingsOf(s, lineId).filter((w) => w.atS <= byS);
  if (parts.some((w) => w.load === null)) return true;
  const loads = new Set(parts.map((w) => w.load));
  return load === null ? parts.length > 0 && loads.size >= s.loads : loads.has(load);
}

/** Lines that a load, or the whole, was not given by a time, s; at all where none is named. */
export const unweighedFor = (
  recipe: Recipe,
  s: BatchState,
  load: number | null,
  byS = Infinity,
): string[] => dosedLines(recipe, s).filter((id) => !isThere(s, id, load, byS));

/** A load that was mixed without what it takes to bind and to cure. */
export type MixedWithout = { load: number | null; tick: Tick; lines: string[] };

/** Without these a batter neither binds nor cures: cure, salt and water. */
export const bindsOrCures = (recipe: Recipe, lineId: string): boolean =>
  lineId === CURE_LINE ||
  lineId === SALT_LINE ||
  recipe.additions.some((a) => a.id === lineId && a.kind === 'water');

/** Has one load its cure, salt or water, and another not yet? */
export const isLoadShort = (recipe: Recipe, s: BatchState): boolean =>
  Object.keys(s.partly).some((id) => bindsOrCures(recipe, id));

/** Lines that go in by a row of the bench work, it and all before it. */
const linesUpTo = (plan: readonly PlanRow[], row: PlanRow): Set<string> =>
  new Set(plan.slice(0, plan.indexOf(row) + 1).flatMap((r) => r.adds.map((a) => a.lineId)));

export const isMixing = ({ step }: PlanRow) => step.kind === 'mix' || step.kind === 'chop';

/**
 * Loads that were mixed for the last time before their cure, salt or water was weighed for them: no mixing has spread what came
 * later. Salt and water count where anything but meat and cure is weighed here; where nothing is, they are weighed elsewhere.
 * @source usual practice of the trade: cure and salt are spread by the mixing itself; each load has its own weighed share
 */
export function mixedWithout(
  recipe: Recipe,
  s: BatchState,
  plan: readonly PlanRow[],
): MixedWithout[] {
  const dosed = dosedLines(recipe, s).filter((id) => bindsOrCures(recipe, id));
  const here = dosed.some((id) => id !== CURE_LINE && weighingsOf(s, id).length > 0);
  const last = new Map<number | null, { tick: Tick; row: PlanRow }>();
  for (const row of plan.filter(isMixing))
    for (const tick of ticksOf(s, row).filter((t) => t.skipped === null)) {
      const before = last.get(tick.load);
      if (!before || before.tick.atS <= tick.atS) last.set(tick.load, { tick, row });
    }
  return [...last].flatMap(([load, { tick, row }]) => {
    const due = linesUpTo(plan, row);
    const lines = dosed.filter(
      (id) => (id === CURE_LINE || here) && due.has(id) && !isThere(s, id, load, tick.atS),
    );
    return lines.length > 0 ? [{ load, tick, lines }] : [];
  });
}
