import type { Tick } from './kinds/making';
import type { BatchState } from './state';
import type { PlanRow } from '../making/plan';

/** Ticks of one row, of a load or of the whole: a tick of the whole counts for every load. */
export const ticksOf = (s: BatchState, row: PlanRow): Tick[] =>
  s.ticks.filter((t) => t.stepId === row.step.id && t.pass === row.pass);

/** The tick of a row for one load, or null while it is open. */
export const tickOf = (s: BatchState, row: PlanRow, load: number | null): Tick | null =>
  ticksOf(s, row).find((t) => t.load === null || load === null || t.load === load) ?? null;

/** Is a row done for every load? */
export function isRowDone(s: BatchState, row: PlanRow): boolean {
  const ticks = ticksOf(s, row);
  if (ticks.some((t) => t.load === null)) return true;
  return s.loads > 1 && new Set(ticks.map((t) => t.load)).size >= s.loads;
}

/** Ticks that were made before those of a row that comes first: work that was done out of its order. */
export function outOfOrder(s: BatchState, plan: readonly PlanRow[]): Tick[] {
  const nth = (t: Tick) => plan.findIndex((r) => r.step.id === t.stepId && r.pass === t.pass);
  return s.ticks.filter((t) => {
    const at = nth(t);
    return s.ticks.some(
      (o) =>
        nth(o) >= 0 &&
        nth(o) < at &&
        o.atS > t.atS &&
        (o.load === t.load || o.load === null || t.load === null),
    );
  });
}
