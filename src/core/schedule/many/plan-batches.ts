import { QuantityError } from '../../guard';
import { randomFrom } from '../../random';
import { eachAlone, lowerBound, type Alone } from './bounds';
import { inOrder, isBetter, latenessOf, movesOf, placedSteps, type Found } from './draft';
import { Insertion } from './insertion';
import type { Inserted } from './ways';
import { Occupancy, type Placement } from './occupancy';
import { makeProblem, SLOT_S, takesRoom, type Problem } from './problem';
import { Proof } from './prove';
import { firstOrders, search } from './search';
import type { Without } from './starts';
import type { BatchPlan, PlacedStep, PlanInput, WaitsFor } from './types';

/** So often somebody is told how far it has come. */
const PROGRESS_ROUNDS = 16;
/** Parts of all plans that are looked at in each round, where it is tried to prove one the best. */
const LOOKS = 4;
/** So many rounds are made at least, also once it is proven: of plans that are as good one may light fewer fires. */
const POLISHED = 200;

/** What a late batch waits for: that of which more would help it most, with everybody else where they are. */
function reasons(
  problem: Problem,
  placements: readonly (Placement | null)[],
): BatchPlan['because'] {
  const taken = new Occupancy(problem);
  placements.forEach((p, i) => p && taken.place(i, p));
  const insertion = new Insertion(problem, taken);
  return problem.jobs.flatMap((job, i): BatchPlan['because'] => {
    const p = placements[i];
    const late = p ? latenessOf(problem, i, p) : Infinity;
    if (late <= 0) return [];
    if (p) taken.remove(i, p);
    const lateWithout = (without: Without) => {
      const then = insertion.insert(i, { without });
      return then ? latenessOf(problem, i, then.placement) : Infinity;
    };
    const used = new Set(
      job.steps.flatMap((s) =>
        [...s.choices.flatMap((c) => c.takes), ...(s.waiting?.takes ?? [])].map((t) => t.resource),
      ),
    );
    const tries: [WaitsFor, number][] = [
      ...[...used].map((resource): [WaitsFor, number] => [
        { kind: 'resource', id: problem.resources[resource]!.id },
        lateWithout({ resource }),
      ]),
      [{ kind: 'people' }, lateWithout({ people: true })],
    ];
    /* Nobody has planned it yet, and it could be. */
    const isFree = !p && lateWithout({}) < Infinity;
    if (p) taken.place(i, p);
    if (isFree) return [];
    const [waitsFor, left] = tries.reduce((a, b) => (b[1] < a[1] ? b : a));
    return [{ batch: job.id, lateS: late, waitsFor: left < late ? waitsFor : { kind: 'itself' } }];
  });
}

/**
 * Why batches of a plan are late: what each would gain most from, with everybody else where they are.
 * @param steps a plan; of a batch of which a step is missing it is said why it has no place, where it has none
 */
export function whyLate(input: PlanInput, steps: readonly PlacedStep[]): BatchPlan['because'] {
  const problem = makeProblem({ ...input, previous: [...steps] });
  const placements = problem.jobs.map(({ steps: own }): Placement | null => {
    const at = own.map((s) => s.fixed ?? s.before);
    if (at.some((p) => !p)) return null;
    const starts = Int32Array.from(at, (p) => p!.slot);
    const holds = own.map((s, k) =>
      k + 1 < own.length && takesRoom(s, starts[k]!, starts[k + 1]!) ? at[k]!.hold : -1,
    );
    return {
      starts,
      choices: Int32Array.from(at, (p) => p!.choice),
      holds: Int32Array.from(holds),
    };
  });
  return reasons(problem, placements);
}

/** How far a planner has come. */
export type PlanProgress = { weightedLatenessS: number; spanS: number; round: number };

/**
 * Plans several batches that want the same places and people: least weighted lateness first, then least time from first
 * start to last end. What is fixed stays; what was planned before moves as little as `moveCostS` says. It begins with
 * the batches one after the other in several orders, and goes on by taking out and putting back, exactly, those that are in each
 * other's way. The same for a seed and a number of rounds, whatever the order of what is given.
 * @param input times epoch s, amounts g, its limits rounds or ms
 * @throws QuantityError for figures out of range, names used twice, and names of nothing
 * @source least weighted lateness first, the site's own weights
 */
export function planBatches(input: PlanInput): BatchPlan {
  const { onProgress } = input.limits;
  const going = planning(input);
  let stop = false;
  for (;;) {
    const { value, done } = going.next(stop);
    if (done) return value;
    if (value.round % PROGRESS_ROUNDS === 0) stop = onProgress?.(value) === true;
  }
}

/**
 * The same, a round at a time, for whoever has something else to do meanwhile: it says how far it has come before each
 * round, and ends with the best plan so far once it is told true, or its limits are reached.
 * @param input as {@link planBatches}
 */
export function* planning(
  input: PlanInput,
): Generator<PlanProgress, BatchPlan, boolean | undefined> {
  const { limits } = input;
  const clock = limits.clock ?? (() => performance.now());
  const beganMs = clock();
  const problem = makeProblem(input);
  const alone = eachAlone(problem);
  const bound = lowerBound(problem, alone);
  const isBest = bestOf(problem, alone, bound);
  const seed = limits.seed ?? 1;
  const random = randomFrom(seed);
  const wasPlanned = problem.jobs.some((j) => j.steps.some((s) => s.before));
  const anneals = wasPlanned || seed % 2 === 0;
  const isOver = () => clock() - beganMs >= limits.timeMs;
  const stand = (best: Found, round: number) => ({
    weightedLatenessS: best.cost,
    spanS: best.span * SLOT_S,
    round,
  });
  const [first, ...others] = firstOrders(problem, alone);
  let found = inOrder(problem, first!);
  let stop = (yield stand(found, 0)) === true;
  for (const order of others) {
    if (stop || isOver()) break;
    const next = inOrder(problem, order);
    if (isBetter(next, found)) found = next;
    stop = (yield stand(found, 0)) === true;
  }
  const proof = stop || isOver() ? null : Proof.of(problem, alone);
  for (const { round, best } of stop || isOver()
    ? []
    : search(problem, found, alone, random, anneals)) {
    if (isBetter(best, found)) found = best;
    if (round > (limits.rounds ?? Infinity) || isOver() || isBest(found)) break;
    for (let n = 0; n < LOOKS && proof?.goesOn; n += 1) found = proof.look(found) ?? found;
    if (proof?.isDone && round >= POLISHED) break;
    if ((yield stand(found, round)) === true) break;
  }
  const proven = isBest(found) || (found.missing === 0 && (proof?.isDone ?? false));
  return planOf(problem, found, Math.max(bound, proof?.leastCost(found) ?? 0), proven);
}

/** Whether nothing can be better: nobody is later or longer on the way than by itself; or no later than can be, without a wait. */
function bestOf(problem: Problem, alone: Alone, bound: number): (f: Found) => boolean {
  const sum = (of: (one: Inserted | null) => number) => alone.reduce((n, a) => n + of(a), 0);
  const leastSpan = sum((a) => a?.spanSlots ?? 0);
  const leastCost = sum((a) => a?.cost ?? 0);
  const shortest = problem.jobs.reduce(
    (n, j) => n + j.steps.reduce((slots, s) => slots + s.slots, 0),
    0,
  );
  return (f) =>
    f.missing === 0 &&
    ((f.cost <= leastCost + 1e-6 && f.span <= leastSpan) ||
      (f.cost <= bound + 1e-6 && f.span <= shortest));
}

function planOf(problem: Problem, found: Found, bound: number, proven: boolean): BatchPlan {
  const sumOf = (of: (i: number, p: Placement) => number) =>
    found.placements.reduce((sum, p, i) => sum + (p ? of(i, p) : 0), 0);
  const unplaced = problem.jobs.flatMap((j, i) => (found.placements[i] ? [] : [j.id]));
  return {
    status: unplaced.length === 0 ? 'ok' : 'infeasible',
    steps: found.placements.flatMap((p, i) => (p ? placedSteps(problem, i, p) : [])),
    unplaced,
    weightedLatenessS: sumOf((i, p) => latenessOf(problem, i, p) * problem.jobs[i]!.weight),
    spanS: found.span * SLOT_S,
    runs: found.fires,
    lowerBoundS: bound,
    proven,
    moved: sumOf((i, p) => movesOf(problem, i, p)),
    because: reasons(problem, found.placements),
  };
}

/**
 * The best of plans of the same task, made from different seeds: nobody without a place first, then as a planner weighs them.
 * A bound that one of them has found holds for all.
 * @param moveCostS what a moved step weighed when they were made, s
 * @throws QuantityError where there is none
 */
export function bestPlan(plans: readonly BatchPlan[], moveCostS = 0): BatchPlan {
  const [first, ...others] = plans;
  if (!first) throw new QuantityError('plans', 0, 'one at least');
  const worth = (p: BatchPlan): Found => ({
    placements: [],
    missing: p.unplaced.length,
    cost: p.weightedLatenessS + p.moved * moveCostS,
    span: p.spanS / SLOT_S,
    fires: p.runs,
  });
  const best = others.reduce((a, b) => (isBetter(worth(b), worth(a)) ? b : a), first);
  const isAlike = (p: BatchPlan) =>
    p.unplaced.length === best.unplaced.length &&
    p.weightedLatenessS === best.weightedLatenessS &&
    p.spanS === best.spanS;
  return {
    ...best,
    lowerBoundS: Math.max(...plans.map((p) => p.lowerBoundS)),
    proven: plans.some((p) => p.proven && isAlike(p)),
  };
}
