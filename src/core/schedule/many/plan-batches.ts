import { randomFrom } from '../../random';
import { eachAlone, lowerBound } from './bounds';
import { Insertion } from './insertion';
import { Occupancy, type Placement } from './occupancy';
import { makeProblem, SLOT_S, type Problem } from './problem';
import { firstOrders, inOrder, latenessOf, movesOf, isBetter, search, type Found } from './search';
import type { BatchPlan, PlacedStep, PlanInput, PlanLimits, WaitsFor } from './types';

function stepsOf(problem: Problem, found: Found): PlacedStep[] {
  const at = (slot: number) => problem.baseS + slot * SLOT_S;
  return problem.jobs.flatMap((job, i) => {
    const p = found.placements[i];
    if (!p) return [];
    return job.steps.map((step, k): PlacedStep => {
      const takes = step.choices[p.choices[k]!]?.takes ?? [];
      return {
        batch: job.id,
        step: step.id,
        startS: at(p.starts[k]!),
        endS: at(p.starts[k]! + step.slots),
        uses: takes.map((t) => ({
          resource: problem.resources[t.resource]!.id,
          amount: t.amount,
        })),
      };
    });
  });
}

/** What a late batch waits for: that of which more would help it most, with everybody else where they are. */
function reasons(problem: Problem, found: Found): BatchPlan['because'] {
  const taken = new Occupancy(problem);
  found.placements.forEach((p, i) => p && taken.place(i, p));
  const insertion = new Insertion(problem, taken);
  return problem.jobs.flatMap((job, i) => {
    const p = found.placements[i];
    if (!p) return [];
    const late = latenessOf(problem, i, p);
    if (late <= 0) return [];
    taken.remove(i, p);
    const used = new Set(
      job.steps.flatMap((s) => s.choices.flatMap((c) => c.takes.map((t) => t.resource))),
    );
    const tries: [WaitsFor, number][] = [
      ...[...used].map((resource): [WaitsFor, number] => {
        const then = insertion.insert(i, { without: { resource } });
        const id = problem.resources[resource]!.id;
        return [{ kind: 'resource', id }, then ? latenessOf(problem, i, then.placement) : late];
      }),
      (() => {
        const then = insertion.insert(i, { without: { people: true } });
        return [{ kind: 'people' }, then ? latenessOf(problem, i, then.placement) : late] as [
          WaitsFor,
          number,
        ];
      })(),
    ];
    taken.place(i, p);
    const [waitsFor, left] = tries.reduce((a, b) => (b[1] < a[1] ? b : a));
    return [
      {
        batch: job.id,
        lateS: late,
        waitsFor: left < late ? waitsFor : ({ kind: 'itself' } as const),
      },
    ];
  });
}

/** When to stop: time, rounds, or somebody says so. */
function untilOf(
  limits: PlanLimits,
  beganMs: number,
  clock: () => number,
  done: (f: Found) => boolean,
) {
  let stopped = false;
  return (round: number, best: Found): boolean => {
    if (round % 16 === 0 && limits.onProgress)
      stopped =
        limits.onProgress({
          weightedLatenessS: best.cost,
          spanS: best.span * SLOT_S,
          round,
        }) === true;
    return (
      stopped ||
      done(best) ||
      round > (limits.rounds ?? Infinity) ||
      clock() - beganMs >= limits.timeMs
    );
  };
}

/**
 * Plans several batches that want the same places and people: least weighted lateness first, then least time from first
 * start to last end. What is fixed stays; what was planned before moves as little as `moveCostS` says. It begins with
 * the batches one after the other in several orders, and goes on by taking out and putting back, exactly, those that are in each
 * other's way. The same for a seed and a number of rounds, whatever the order of what is given.
 * @throws QuantityError for figures out of range, names used twice, and names of nothing
 * @source field standard, many batches
 */
export function planBatches(input: PlanInput): BatchPlan {
  const { limits } = input;
  const clock = limits.clock ?? (() => performance.now());
  const beganMs = clock();
  const problem = makeProblem(input);
  const alone = eachAlone(problem);
  const bound = lowerBound(problem, alone);
  const leastSpan = alone.reduce((sum, a) => sum + (a?.spanSlots ?? 0), 0);
  const leastCost = alone.reduce((sum, a) => sum + (a?.cost ?? 0), 0);
  const shortest = problem.jobs.reduce(
    (sum, j) => sum + j.steps.reduce((slots, s) => slots + s.slots, 0),
    0,
  );
  /* Nobody is later or longer on the way than by itself; or no later than can be, and without a wait: nothing is better. */
  const done = (f: Found) =>
    f.missing === 0 &&
    ((f.cost <= leastCost + 1e-6 && f.span <= leastSpan) ||
      (f.cost <= bound + 1e-6 && f.span <= shortest));
  const random = randomFrom(limits.seed ?? 1);
  const first = firstOrders(problem, alone)
    .map((order) => inOrder(problem, order))
    .reduce((a, b) => (isBetter(b, a) ? b : a));
  const over = untilOf(limits, beganMs, clock, done);
  const found = search(problem, first, { over, random });
  const sumOf = (of: (i: number, p: Placement) => number) =>
    found.placements.reduce((sum, p, i) => sum + (p ? of(i, p) : 0), 0);
  const unplaced = problem.jobs.flatMap((j, i) => (found.placements[i] ? [] : [j.id]));
  return {
    status: unplaced.length === 0 ? 'ok' : 'infeasible',
    steps: stepsOf(problem, found),
    unplaced,
    weightedLatenessS: sumOf((i, p) => latenessOf(problem, i, p) * problem.jobs[i]!.weight),
    spanS: found.span * SLOT_S,
    runs: found.fires,
    lowerBoundS: bound,
    proven: done(found),
    moved: sumOf((i, p) => movesOf(problem, i, p)),
    because: reasons(problem, found),
  };
}
