import type { Alone } from './bounds';
import { Draft, endOf, isBetter, movesOf, type Found } from './draft';
import { SLOT_S, type Problem } from './problem';
import { Related } from './related';

/**
 * Orders to begin with: where there was a plan before, first those who can stay where they were, and go round who cannot; who
 * is due first; who has least to spare; who weighs most for each hour.
 */
export function firstOrders(problem: Problem, alone: Alone): number[][] {
  const { jobs } = problem;
  const length = (i: number) => jobs[i]!.steps.reduce((sum, s) => sum + s.slots, 0);
  const slack = (i: number) => {
    const one = alone[i];
    return jobs[i]!.due - (one ? endOf(problem, i, one.placement) : Infinity);
  };
  const by = (key: (i: number) => number) =>
    jobs.map((_, i) => i).sort((a, b) => key(a) - key(b) || a - b);
  const hasBefore = jobs.some((j) => j.steps.some((s) => s.before));
  const disturbed = (i: number) => {
    const one = alone[i];
    return one && movesOf(problem, i, one.placement) === 0 ? 0 : 1;
  };
  const due = by((i) => jobs[i]!.due);
  return [
    ...(hasBefore ? [[...due].sort((a, b) => disturbed(a) - disturbed(b))] : []),
    due,
    by(slack),
    by((i) => jobs[i]!.due - length(i)),
    by((i) => -jobs[i]!.weight / Math.max(1, length(i))),
  ];
}

/** Rounds until it is cold; then so many in which the best plan is made shorter; then it is warm again. */
const COOLS = 2000;
const COLD = 300;
export const CYCLE = COOLS + COLD;
/** After so many times it begins anew: what was not found by then is seldom found from there. */
export const CYCLES = 4;
/** When warm, so many seconds late weigh nothing much, for a batch of middling weight. */
const WARM_S = 10 * 3600;
/** How often a batch is put in at any of its cheapest ends while warm: what is the shortest stands in others' way. */
const LOOSE = 0.8;
/** The same where there was a plan before. */
const LOOSE_AGAIN = 0.5;
/**
 * How often such a one goes any way there is, where there are few: what goes as late as it can may be what stands in others'
 * way. Among many it costs more rounds than it gives back.
 */
const ANYHOW = 0.3;
const FEW = 8;
/** How often those that were taken out go back by their ready-by, and how often the last first. Chosen on seeded smokehouses. */
const BY_DUE = 0.1;
const REVERSED = 0.3;

/** One figure of both aims, for what may stay a little worse for a while: s late by weight, and slots on the way. */
const worthOf = (cost: number, span: number) => cost + 0.05 * span * SLOT_S;
const worth = (f: Found) => worthOf(f.cost, f.span);

/** Where a search stands: the round that comes next, and the best plan so far. */
export type Stand = { round: number; best: Found };

/**
 * Large neighbourhood search: a few batches that are in each other's way are taken out and put back exactly, in one order
 * or another; what is no worse stays, and while it is warm something a little worse, so that it does not end at the first
 * hill. It tells where it stands before each round, and goes on for as long as it is asked to.
 * @source simulated annealing over destroy and repair
 */
export function* search(
  problem: Problem,
  begin: Found,
  alone: Alone,
  random: () => number,
): Generator<Stand, void, void> {
  const all = [...problem.jobs.keys()];
  const movable = all.filter((i) => problem.jobs[i]!.steps.some((s) => !s.fixed));
  if (movable.length === 0) return;
  const draft = new Draft(problem);
  draft.become(begin.placements, all);
  draft.keep();
  const related = new Related(draft, movable, random);
  const warmS = (WARM_S * problem.jobs.reduce((sum, j) => sum + j.weight, 0)) / all.length;
  /* `local` is the best since it began anew. */
  let [now, best, local] = [begin, begin, begin];
  const goOnFrom = (found: Found) => {
    if (found === now) return;
    draft.become(found.placements, movable);
    draft.keep();
    related.note(movable);
    now = found;
  };
  for (let round = 1; ; round += 1) {
    yield { round, best };
    const phase = round % CYCLE;
    const isCold = phase >= COOLS;
    if (round % (CYCLES * CYCLE) === 0) goOnFrom((local = begin));
    if (phase === COOLS) goOnFrom(local);
    const heat = isCold ? 0 : warmS * (1 - phase / COOLS) ** 2;
    const limit = worth(now) - heat * Math.log(1 - random());
    const some = related.pick();
    const made = putBack(draft, some, alone, limit, {
      random,
      isCold,
      missing: now.missing,
      most: now.cost,
    });
    const near = made !== null && made.missing === now.missing && worth(made) <= limit;
    if (made && (near || !isBetter(now, made))) {
      now = made;
      draft.keep();
      related.note(some);
    } else draft.undo(some);
    if (isBetter(now, local)) local = now;
    if (isBetter(local, best)) best = local;
  }
}

/** `most`: what may be above the limit, but costs no more than this. */
type Round = { random: () => number; isCold: boolean; missing: number; most: number };

/** Takes some out and puts them back; null once it is sure to be above the limit, and to cost more than it may. */
function putBack(
  draft: Draft,
  some: readonly number[],
  alone: Alone,
  limit: number,
  { random, isCold, missing, most }: Round,
): Found | null {
  const { jobs } = draft.problem;
  for (const i of some) draft.out(i);
  const isFew = jobs.length <= FEW;
  const order = [...some];
  if (random() < BY_DUE) order.sort((a, b) => jobs[a]!.due - jobs[b]!.due);
  if (random() < REVERSED) order.reverse();
  const now = { cost: 0, worth: 0 };
  const add = (cost: number, span: number, sign: number) => {
    now.cost += sign * cost;
    now.worth += sign * worthOf(cost, span);
  };
  jobs.forEach((_, i) => add(draft.costs[i]!, draft.spans[i]!, 1));
  for (const i of order) add(alone[i]?.cost ?? 0, alone[i]?.spanSlots ?? 0, 1);
  for (const i of order) {
    const loosely = jobs[i]!.steps.some((s) => s.before) ? LOOSE_AGAIN : LOOSE;
    const loose = !isCold && random() < loosely;
    const anyhow = loose && isFew && random() < ANYHOW;
    const own = alone[i]?.cost ?? 0;
    const upTo = Math.max(limit - now.worth, most - now.cost) + own + 1;
    draft.put(i, { tie: random, loose, anyhow, ...(missing === 0 ? { upTo } : {}) });
    if (missing > 0) continue;
    if (!draft.placements[i]) return null;
    add(own, alone[i]?.spanSlots ?? 0, -1);
    add(draft.costs[i]!, draft.spans[i]!, 1);
    if (now.worth > limit + 1 && now.cost > most + 1) return null;
  }
  return draft.found;
}
