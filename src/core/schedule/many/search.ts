import { Annealing } from './annealing';
import type { Alone } from './bounds';
import { endOf, isBetter, movesOf, type Found } from './draft';
import type { Problem } from './problem';
import { Spells } from './spells';

/**
 * Orders to begin with: where there was a plan before, first those who can stay where they were, and go round who cannot; who
 * is due first; who has least to spare; who weighs most for each hour.
 * @param alone of {@link eachAlone}
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

/** Where a search stands: the round that comes next, and the best plan so far. */
export type Stand = { round: number; best: Found };

/**
 * Two ways to search, in turn: {@link Annealing}, for which nothing need be in time, and {@link Spells} in which those that are late
 * are put in time by taking others out. Each goes on from what the other found. It tells where it stands before each
 * round, and goes on for as long as it is asked to.
 * @param anneals whether it begins by annealing: soonest better where all are not in time anyway, or little may move
 */
export function* search(
  problem: Problem,
  begin: Found,
  alone: Alone,
  random: () => number,
  anneals = true,
): Generator<Stand, void, void> {
  const movable = [...problem.jobs.keys()].filter((i) =>
    problem.jobs[i]!.steps.some((s) => !s.fixed),
  );
  if (movable.length === 0) return;
  const annealing = new Annealing(problem, begin, movable, alone, random);
  const spells = new Spells(problem, begin, movable, alone, random);
  let best = begin;
  let round = 1;
  let annealed = begin;
  const told = function* (of: Generator<Found, void, void>): Generator<Stand, void, void> {
    for (const found of of) {
      if (isBetter(found, best)) best = found;
      round += 1;
      yield { round, best };
    }
  };
  yield { round, best };
  /*
   * Every other turn it anneals; of those between, one seeks all in time and the next all less late, or one of the few that are
   * late less so, where that found nothing.
   */
  for (let turn = anneals ? 1 : 0; ; turn += 1) {
    if (turn % 2 === 1) {
      yield* told(annealing.cycle(best === annealed ? null : best));
      annealed = best;
    } else if (spells.isStuckAt(best)) yield* told(spells.oneLess(best));
    else if (turn % 4 === 0 || spells.isNear) yield* told(spells.allInTime(best));
    else yield* told(spells.lessLate(best));
  }
}
