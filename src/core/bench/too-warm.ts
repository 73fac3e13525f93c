import type { BatchState } from '../logbook/state';
import { ticksOf } from '../logbook/done';
import type { PlanRow } from '../making/plan';

/** The batter is made: it lies in its hold, is stuffed, or hangs. */
export const isMade = (s: BatchState) =>
  s.hold !== null || s.steps.stuff !== undefined || s.run !== null;

export type Over = { row: PlanRow; tS: number; tempC: number; limitC: number };

/** Temperatures of a row above a limit of it. */
export function overLimit(s: BatchState, row: PlanRow, limitC: number | null): Over[] {
  if (limitC === null) return [];
  const ticks = ticksOf(s, row).flatMap((t) =>
    t.tempC === null ? [] : [{ tS: t.atS, tempC: t.tempC }],
  );
  const live = s.batter.filter(
    (b) => b.stepId === row.step.id && b.pass === row.pass && row.step.kind !== 'chill',
  );
  return [...ticks, ...live]
    .filter((x) => x.tempC > limitC)
    .map((x) => ({ row, tS: x.tS, tempC: x.tempC, limitC }));
}

/**
 * What came of meat that had been too warm: chilled before the work went on, not yet gone on with, or gone on with as it was.
 * An emulsion that broke its ceiling is not mended by cold.
 */
export function afterwards(s: BatchState, o: Over): 'chilled' | 'waits' | 'went_on' {
  if (o.row.step.kind === 'chop') return 'went_on';
  const cold = (tempC: number | null) => tempC !== null && tempC <= (o.row.limits.outC ?? o.limitC);
  const next = s.ticks.filter((t) => t.atS > o.tS).sort((a, b) => a.atS - b.atS)[0];
  const later = s.batter.some((b) => b.tS > o.tS && cold(b.tempC) && (!next || b.tS <= next.atS));
  if (later) return 'chilled';
  if (next) return cold(next.beforeC) || cold(next.tempC) ? 'chilled' : 'went_on';
  if (s.hold !== null && s.hold.startS >= o.tS) return 'chilled';
  return isMade(s) ? 'went_on' : 'waits';
}

/** Meat that came out of a step too warm and waits, or an emulsion over its ceiling: what is done about it now. */
export type TooWarm = Over & { does: 'chill_first' | 'stop_and_chill' | 'cold_mends_nothing' };

/** What came out above its limit and has not been chilled since, the last of each step, while the batter is being made. */
export function tooWarmNow(s: BatchState, plan: readonly PlanRow[]): TooWarm[] {
  if (isMade(s)) return [];
  return plan.flatMap((row): TooWarm[] => {
    const { outC, stopC } = row.limits;
    const last = overLimit(s, row, outC ?? stopC).at(-1);
    if (!last) return [];
    const isOverStop = stopC !== null && last.tempC > stopC;
    if (row.step.kind === 'chop')
      return isOverStop ? [{ ...last, limitC: stopC, does: 'cold_mends_nothing' }] : [];
    if (afterwards(s, last) !== 'waits') return [];
    return [
      isOverStop
        ? { ...last, limitC: stopC, does: 'stop_and_chill' }
        : { ...last, does: 'chill_first' },
    ];
  });
}
