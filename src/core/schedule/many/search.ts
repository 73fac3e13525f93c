import type { Alone } from './bounds';
import { Burden } from './burden';
import { Draft, endOf, isBetter, movesOf, type Found } from './draft';
import type { Problem } from './problem';
import { Rebuild } from './rebuild';
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

/** Where a search stands: the round that comes next, and the best plan so far. */
export type Stand = { round: number; best: Found };

/**
 * Large neighbourhood search: a few batches that are in each other's way are taken out and put back exactly, in one order
 * or another; what is no worse stays, and while it is warm something a little worse, so that it does not end at the first
 * hill. Worse is meant by what weighs on the search ({@link Burden}), the best plan by what was asked. It tells where it
 * stands before each round, and goes on for as long as it is asked to.
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
  const burden = new Burden(draft, alone);
  const rebuild = new Rebuild(draft, alone, burden, random);
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
    burden.note(round);
    burden.asAsked = isCold;
    const heat = isCold ? 0 : warmS * (1 - phase / COOLS) ** 2;
    const limit = burden.worth - heat * Math.log(1 - random());
    const most = isCold ? now.cost : -1;
    const picked = related.pick();
    const { some, isBack } = rebuild.change(picked, { limit, most, missing: now.missing, isCold });
    const made = isBack ? draft.found : null;
    const isNear = made?.missing === now.missing && burden.worth <= limit;
    if (made && (isNear || made.missing < now.missing || (isCold && !isBetter(now, made)))) {
      now = made;
      draft.keep();
      related.note(some);
    } else draft.undo(some);
    if (isBetter(now, local)) local = now;
    if (isBetter(local, best)) best = local;
  }
}
