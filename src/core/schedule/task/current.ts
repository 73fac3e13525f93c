import type { FixedStep, PlacedStep } from '../many';
import { GRID_S } from '../plan';
import type { Task } from './types';

/** A step that somebody put where it is: the planner goes round it. */
export type PinnedStep = { batch: string; step: string };

const keyOf = (s: { batch: string; step: string }) => `${s.batch} ${s.step}`;

/**
 * A plan as it stands now: what records have settled at their own times, the rest where it was planned.
 * @returns the steps in order of the task, and the batches of which some step has no place in the plan: they have none at all
 */
export function planNow(
  task: Task,
  planned: readonly PlacedStep[],
): { steps: PlacedStep[]; unplanned: string[] } {
  const before = new Map(planned.map((p) => [keyOf(p), p]));
  const fixed = new Map((task.fixed ?? []).map((f) => [keyOf(f), f]));
  const steps: PlacedStep[] = [];
  const unplanned: string[] = [];
  for (const batch of task.batches) {
    const own = batch.steps.map((step): PlacedStep | undefined => {
      const key = { batch: batch.id, step: step.id };
      const known = fixed.get(keyOf(key));
      const was = before.get(keyOf(key));
      const lengthS = Math.ceil(step.durationS / GRID_S - 1e-9) * GRID_S;
      /* Where it was to wait, as long as it may wait there. */
      const cold = was?.waitsIn;
      const waitsIn =
        cold !== undefined && step.waits?.anyOf.includes(cold) ? { waitsIn: cold } : {};
      if (!known) {
        if (!was) return undefined;
        const { waitsIn: _, ...placed } = was;
        return { ...placed, endS: was.startS + lengthS, ...waitsIn };
      }
      const uses = step.uses.flatMap((u) => {
        const resource = known.uses?.find((id) => u.anyOf.includes(id)) ?? u.anyOf[0];
        return resource === undefined
          ? []
          : [{ resource, amount: u.amounts?.[resource] ?? u.amount }];
      });
      return { ...key, startS: known.startS, endS: known.startS + lengthS, uses, ...waitsIn };
    });
    if (own.some((s) => s === undefined)) unplanned.push(batch.id);
    else steps.push(...own.map((s) => s!));
  }
  return { steps, unplanned };
}

/** Pinned steps as what stays where it is, beside what records have settled; a pin of what is not planned any more says nothing. */
export function withPins(
  task: Task,
  steps: readonly PlacedStep[],
  pins: readonly PinnedStep[],
): FixedStep[] {
  const settled = task.fixed ?? [];
  const own = pins.flatMap((pin): FixedStep[] => {
    const at = steps.find((s) => keyOf(s) === keyOf(pin));
    if (!at || settled.some((f) => keyOf(f) === keyOf(pin))) return [];
    const uses = at.uses.map((u) => u.resource);
    return [{ ...pin, startS: at.startS, uses, ...(at.waitsIn ? { waitsIn: at.waitsIn } : {}) }];
  });
  return [...settled, ...own];
}

export type BatchEnd = { batch: string; endS: number; lateS: number };

/** When each batch is ready by a plan, and how much after its ready-by; in the order of the task. */
export function batchEnds(task: Task, steps: readonly PlacedStep[]): BatchEnd[] {
  return task.batches.flatMap((b) => {
    const own = steps.filter((s) => s.batch === b.id);
    if (own.length === 0) return [];
    const endS = Math.max(...own.map((s) => s.endS));
    return [{ batch: b.id, endS, lateS: Math.max(0, endS - b.readyByS) }];
  });
}

/** A batch that waits for its next step where that takes room. */
export type PlanWait = {
  batch: string;
  /** The step after which it waits. */
  step: string;
  startS: number;
  endS: number;
  resource: string;
};

/** Who waits where between two steps of a plan, as far as that takes room of a place. */
export function planWaits(task: Pick<Task, 'batches'>, steps: readonly PlacedStep[]): PlanWait[] {
  const placed = new Map(steps.map((p) => [keyOf(p), p]));
  return task.batches.flatMap(({ id: batch, steps: own }) =>
    own.flatMap(({ id: step, waits }, i): PlanWait[] => {
      const at = placed.get(keyOf({ batch, step }));
      const next = own[i + 1] && placed.get(keyOf({ batch, step: own[i + 1]!.id }));
      if (!waits || !at || !next || next.startS - at.endS <= waits.freeS) return [];
      const resource = at.waitsIn ?? waits.anyOf[0]!;
      return [{ batch, step, startS: at.endS, endS: next.startS, resource }];
    }),
  );
}

export type PlanFigures = {
  weightedLatenessS: number;
  late: number;
  /** Σ last end − first start, s. */
  spanS: number;
  /** For how long each place that takes one run at a time runs, s, and how often it is lit. */
  places: { id: string; runsS: number; runs: number }[];
};

/** What a plan comes to: how late, how long on the way, and how long which house burns. */
export function planFigures(task: Task, steps: readonly PlacedStep[]): PlanFigures {
  const ends = batchEnds(task, steps);
  const weightOf = new Map(task.batches.map((b) => [b.id, b.weight]));
  const spanS = ends.reduce((sum, e) => {
    const firstS = Math.min(...steps.filter((s) => s.batch === e.batch).map((s) => s.startS));
    return sum + e.endS - firstS;
  }, 0);
  const places = task.resources
    .filter((r) => r.shared === 'same_run')
    .map(({ id }) => {
      const runs = new Map<number, number>();
      for (const s of steps)
        if (s.uses.some((u) => u.resource === id))
          runs.set(s.startS, Math.max(runs.get(s.startS) ?? 0, s.endS));
      const runsS = [...runs].reduce((sum, [startS, endS]) => sum + endS - startS, 0);
      return { id, runsS, runs: runs.size };
    });
  return {
    weightedLatenessS: ends.reduce((sum, e) => sum + e.lateS * weightOf.get(e.batch)!, 0),
    late: ends.filter((e) => e.lateS > 0).length,
    spanS,
    places,
  };
}
