import { Insertion, type Ask } from './insertion';
import { Occupancy, type Placement } from './occupancy';
import { SLOT_S, type Problem } from './problem';
import type { PlacedStep } from './types';

/** A plan: where each job is, null where it has no place, and what it comes to. */
export type Found = {
  placements: (Placement | null)[];
  cost: number;
  span: number;
  /** Runs of places that take one at a time. */
  fires: number;
  missing: number;
};

const EPS = 1e-6;
/**
 * Fewer without a place first, then less lateness, then less time on the way, then fewer fires.
 * @param a, b of one problem
 */
export const isBetter = (a: Found, b: Found): boolean =>
  a.missing !== b.missing
    ? a.missing < b.missing
    : Math.abs(a.cost - b.cost) > EPS
      ? a.cost < b.cost
      : Math.abs(a.span - b.span) > EPS
        ? a.span < b.span
        : a.fires < b.fires;

/**
 * When a job ends, in slots.
 * @param i number of the job · @param p its place, in slots
 */
export const endOf = (problem: Problem, i: number, p: Placement) =>
  p.starts.at(-1)! + problem.jobs[i]!.steps.at(-1)!.slots;

/**
 * How long after ready-by a job ends, s.
 * @param i number of the job · @param p its place, in slots
 */
export const latenessOf = (problem: Problem, i: number, p: Placement): number =>
  Math.max(0, endOf(problem, i, p) - problem.jobs[i]!.due) * SLOT_S;

/**
 * Steps that are elsewhere than in the plan before.
 * @param i number of the job · @param p its place, in slots
 */
export function movesOf(problem: Problem, i: number, p: Placement): number {
  let moves = 0;
  const { steps } = problem.jobs[i]!;
  for (let k = 0; k < steps.length; k += 1) {
    const { before } = steps[k]!;
    if (before && (before.slot !== p.starts[k] || before.choice !== p.choices[k])) moves += 1;
  }
  return moves;
}

/**
 * What one placement costs: weighted lateness, and what its moved steps weigh, s.
 * @param i number of the job · @param p its place, in slots
 */
export const costOf = (problem: Problem, i: number, p: Placement): number =>
  latenessOf(problem, i, p) * problem.jobs[i]!.weight + movesOf(problem, i, p) * problem.moveCostS;

/**
 * The steps of a job where it has a place, by the clock.
 * @param i number of the job · @param p its place, in slots
 */
export function placedSteps(problem: Problem, i: number, p: Placement): PlacedStep[] {
  const at = (slot: number) => problem.baseS + slot * SLOT_S;
  const { id, steps } = problem.jobs[i]!;
  return steps.map((step, k) => {
    const held = step.waiting?.takes[p.holds[k]!];
    return {
      batch: id,
      step: step.id,
      startS: at(p.starts[k]!),
      endS: at(p.starts[k]! + step.slots),
      uses: (step.choices[p.choices[k]!]?.takes ?? []).map((t) => ({
        resource: problem.resources[t.resource]!.id,
        amount: t.amount,
      })),
      ...(held ? { waitsIn: problem.resources[held.resource]!.id } : {}),
    };
  });
}

/** A plan in the making: who is placed, and what is left of everything. */
export class Draft {
  private readonly taken: Occupancy;
  private readonly insertion: Insertion;
  readonly placements: (Placement | null)[];
  private readonly kept: (Placement | null)[] = [];
  /** Of each job that has a place: what it costs, and how long it is on the way. */
  readonly costs: Float64Array;
  readonly spans: Float64Array;

  constructor(readonly problem: Problem) {
    this.taken = new Occupancy(problem);
    this.insertion = new Insertion(problem, this.taken);
    this.placements = problem.jobs.map(() => null);
    this.costs = new Float64Array(problem.jobs.length);
    this.spans = new Float64Array(problem.jobs.length);
  }

  /** Puts a job in as well as what is left allows. */
  put(i: number, ask: Ask): void {
    this.set(i, this.insertion.insert(i, ask)?.placement ?? null);
  }

  out(i: number): void {
    const p = this.placements[i];
    if (p) this.taken.remove(i, p);
    this.set(i, null);
  }

  /** Puts some where they are in another plan. */
  become(placements: readonly (Placement | null)[], which: readonly number[]): void {
    for (const i of which) this.out(i);
    for (const i of which) this.set(i, placements[i]!);
  }

  /** Remembers where everybody is, to which `undo` goes back. */
  keep(): void {
    this.taken.keep();
    for (let i = 0; i < this.placements.length; i += 1) this.kept[i] = this.placements[i]!;
  }

  /** @param some all who are elsewhere than when it was kept */
  undo(some: readonly number[]): void {
    this.taken.undo();
    for (const i of some) this.note(i, this.kept[i]!);
  }

  get found(): Found {
    const { placements } = this;
    let [cost, span, missing, fires] = [0, 0, 0, 0];
    for (let i = 0; i < placements.length; i += 1) {
      if (!placements[i]) missing += 1;
      cost += this.costs[i]!;
      span += this.spans[i]!;
    }
    for (const runs of this.taken.runs) fires += runs.length;
    return { placements: [...placements], cost, span, fires, missing };
  }

  private set(i: number, p: Placement | null): void {
    this.note(i, p);
    if (p) this.taken.place(i, p);
  }

  private note(i: number, p: Placement | null): void {
    this.placements[i] = p;
    this.costs[i] = p ? costOf(this.problem, i, p) : 0;
    this.spans[i] = p ? endOf(this.problem, i, p) - p.starts[0]! : 0;
  }
}

/**
 * Puts the batches in one after the other, in an order.
 * @param order every job once, by its number
 */
export function inOrder(problem: Problem, order: readonly number[]): Found {
  const draft = new Draft(problem);
  for (const i of order) draft.put(i, {});
  return draft.found;
}
