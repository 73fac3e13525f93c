import type { BatchState } from '../logbook/state';

type Run = NonNullable<BatchState['run']>;

const isSameStage = (a: Run, b: Run, index: number): boolean => {
  const [x, y] = [a.program[index], b.program[index]];
  return x !== undefined && y !== undefined && x.kind === y.kind && x.airC === y.airC;
};

/**
 * The stage that a batch goes on to when another one in the same house does: one house has one air. By the same number
 * where both programs have the same stage there, else the first later stage of the same kind.
 * @param led the run whose next stage was pressed, and which @param own the run that hangs beside it
 * @returns its index in the own program; null where it is there already or has no such stage
 */
export function followingStage(led: Run, stageIndex: number, own: Run): number | null {
  const at = own.stages.at(-1)?.index ?? -1;
  if (isSameStage(led, own, stageIndex)) return at < stageIndex ? stageIndex : null;
  const kind = led.program[stageIndex]?.kind;
  const next = own.program.findIndex((s, i) => i > at && s.kind === kind);
  return next < 0 || own.program[at]?.kind === kind ? null : next;
}
