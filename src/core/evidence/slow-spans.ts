import { runStages } from '../run/run-stage';
import type { StageKind } from '../recipe/stage';
import type { BatchState } from '../logbook/state';

/** A stretch of time, s; `toS` is infinite while it goes on. */
export type SlowSpan = { fromS: number; toS: number };

/** Stages that last for days, and in which nothing that heat does is judged. */
const SLOW: readonly StageKind[] = ['ferment', 'hang'];

/** Does a batch ferment or hang now? */
export const isSlowNow = (state: BatchState): boolean => slowSpans(state).at(-1)?.toS === Infinity;

/**
 * When a batch ferments or hangs: there the judgement needs the course of a log, not each of its readings. Two such
 * stages that follow each other are one stretch.
 * @returns in time order, none touching another
 */
export function slowSpans(state: BatchState): SlowSpan[] {
  const endS = state.run?.pulledS ?? Infinity;
  const stages = runStages(state);
  const out: SlowSpan[] = [];
  stages.forEach((s, i) => {
    const toS = Math.min(endS, stages[i + 1]?.startS ?? Infinity);
    if (!SLOW.includes(s.stage.kind) || toS <= s.startS) return;
    const last = out.at(-1);
    if (last?.toS === s.startS) last.toS = toS;
    else out.push({ fromS: s.startS, toS });
  });
  return out;
}
