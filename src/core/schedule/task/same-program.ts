import type { PlacedStep, PlanStep } from '../many';
import type { Task } from './types';

/** A batch goes by the program of another, so that both can hang in one run. No plan can decide that: its recipe would have to. */
export type SameProgram = { kind: 'same_program'; batch: string; with: string };

/** The key under which a step hangs with others; undefined where it does not. */
const keyOf = (step: PlanStep): string | undefined =>
  step.uses.find((u) => u.together !== undefined)?.together;

/** The first run of a batch that has not begun. */
function runOf(task: Task, batch: string): PlanStep | undefined {
  const isFixed = (step: PlanStep) =>
    (task.fixed ?? []).some((f) => f.batch === batch && f.step === step.id);
  return task.batches
    .find((b) => b.id === batch)
    ?.steps.find((s) => keyOf(s) !== undefined && !isFixed(s));
}

/**
 * With whom a batch could hang if it had the same program: one of each program, whose run is planned nearest to its own.
 * @param most so many at most · @returns the nearest first; none where its run has begun, or it has none
 */
export function couldHangWith(
  task: Task,
  steps: readonly PlacedStep[],
  batch: string,
  most: number,
): SameProgram[] {
  const own = runOf(task, batch);
  if (!own) return [];
  const startOf = (id: string, run: PlanStep) =>
    steps.find((s) => s.batch === id && s.step === run.id)?.startS;
  const due = task.batches.find((b) => b.id === batch)!.readyByS;
  const at = startOf(batch, own) ?? due;
  const places = new Set(own.uses.flatMap((u) => (u.together === undefined ? [] : u.anyOf)));
  const others = task.batches.flatMap((b) => {
    const run = b.id === batch ? undefined : runOf(task, b.id);
    const startS = run && startOf(b.id, run);
    if (!run || startS === undefined || keyOf(run) === keyOf(own)) return [];
    if (!run.uses.some((u) => u.together !== undefined && u.anyOf.some((id) => places.has(id))))
      return [];
    return [{ id: b.id, key: keyOf(run), apartS: Math.abs(startS - at) }];
  });
  others.sort((a, b) => a.apartS - b.apartS);
  return others
    .filter((o, i) => others.findIndex((x) => x.key === o.key) === i)
    .slice(0, most)
    .map((o): SameProgram => ({ kind: 'same_program', batch, with: o.id }));
}

/** A task in which a batch's run goes by the program of another: as long, with as many people, under one key. */
export function withSameProgram(task: Task, way: SameProgram): Task {
  const [own, other] = [runOf(task, way.batch), runOf(task, way.with)];
  if (!own || !other) return task;
  const { durationS, people, visits } = other;
  const changed: PlanStep = {
    ...own,
    durationS,
    people,
    visits: visits ?? [],
    uses: own.uses.map((u) => (u.together === undefined ? u : { ...u, together: keyOf(other)! })),
  };
  const change = (s: PlanStep) => (s === own ? changed : s);
  return {
    ...task,
    batches: task.batches.map((b) =>
      b.id === way.batch ? { ...b, steps: b.steps.map(change) } : b,
    ),
  };
}

/** Whether both hang in one run in a plan of a task: a shorter program may help a batch too, but then they are not together. */
export function isOneRunOf(task: Task, steps: readonly PlacedStep[], way: SameProgram): boolean {
  const [one, other] = [way.batch, way.with].map((id) => {
    const run = runOf(task, id);
    return run && steps.find((s) => s.batch === id && s.step === run.id);
  });
  if (!one || !other || one.startS !== other.startS) return false;
  const places = new Set(task.resources.filter((r) => r.shared === 'same_run').map((r) => r.id));
  const isIn = (id: string) => other.uses.some((u) => u.resource === id);
  return one.uses.some((u) => places.has(u.resource) && isIn(u.resource));
}
