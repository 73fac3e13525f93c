import { shuffled } from '../../random';
import type { Alone } from './bounds';
import { costOf, type Found } from './draft';
import { Ejection } from './ejection';
import type { Problem } from './problem';

/** So many rounds it is sought that all are in time; so many more where there was a plan with all but one. */
const SEEKS = 1000;
const SEEKS_MORE = 4000;
/** So many late batches are tried one after the other, each for so many rounds. */
const ONES = 3;
const TRIES = 300;

/** What {@link Ejection} is asked for, a round at a time; each time the best plan that is known. */
export class Spells {
  private readonly ejection: Ejection;
  private readonly able: readonly number[];
  private readonly least: Float64Array;
  /** Where everybody was when it was last sought that all are in time. */
  private inTime: Found['placements'];
  /** How often each was sought to be in time by itself. */
  private readonly tried: Int32Array;
  /** Whether it came near that all are in time when it was last sought. */
  isNear = false;

  constructor(
    private readonly problem: Problem,
    begin: Found,
    movable: readonly number[],
    alone: Alone,
    private readonly random: () => number,
  ) {
    this.inTime = begin.placements;
    this.tried = new Int32Array(problem.jobs.length);
    this.able = movable.filter((i) => alone[i]);
    this.least = Float64Array.from(alone, (one) => one?.cost ?? 0);
    this.ejection = new Ejection(problem, begin, this.able, alone, random);
  }

  /** Whether all who can have a place are as early as they could be alone. */
  isInTime({ placements, cost }: Found): boolean {
    const least = this.least.reduce((sum, c) => sum + c, 0);
    return cost <= least + 1 && this.able.every((i) => placements[i]);
  }

  /** Seeks a plan in which all are in time. @param best the best plan that is known */
  *allInTime(best: Found): Generator<Found, void, void> {
    if (this.isInTime(best)) return;
    const { ejection, problem, least, able } = this;
    const moves = (i: number) => problem.jobs[i]!.steps.filter((s) => s.before).length;
    for (const i of able) ejection.most[i] = least[i]! + moves(i) * problem.moveCostS;
    ejection.best = best;
    ejection.begin(this.inTime);
    for (let n = 0; !ejection.isDone && n < this.seeks; n += 1) {
      ejection.round();
      yield ejection.best;
    }
    this.isNear = !ejection.isDone && ejection.fewest <= 1;
    this.inTime = ejection.placements;
  }

  /** Seeks plans in which one that is late is in time, and nobody else later than before. @param best the best plan that is known */
  *oneInTime(best: Found): Generator<Found, void, void> {
    const { ejection, problem, able, least } = this;
    ejection.best = best;
    for (let one = 0; one < ONES; one += 1) {
      const { placements } = ejection.best;
      for (const i of able) {
        const p = placements[i];
        ejection.most[i] = p ? Math.max(least[i]!, costOf(problem, i, p)) : least[i]!;
      }
      const late = able.filter((i) => !placements[i] || ejection.most[i]! > least[i]! + 1);
      if (late.length === 0) return;
      const first = this.leastTried(late);
      ejection.most[first] = least[first]!;
      ejection.begin(placements);
      for (let n = 0; !ejection.isDone && n < TRIES; n += 1) {
        ejection.round();
        yield ejection.best;
      }
    }
  }

  private leastTried(some: readonly number[]): number {
    const { tried } = this;
    const least = shuffled(some, this.random).reduce((a, b) => (tried[b]! < tried[a]! ? b : a));
    tried[least]! += 1;
    return least;
  }

  private get seeks(): number {
    return this.ejection.fewest <= 1 ? SEEKS + SEEKS_MORE : SEEKS;
  }
}
