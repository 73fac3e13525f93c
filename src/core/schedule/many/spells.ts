import type { Alone } from './bounds';
import type { Found } from './draft';
import { Ejection, NO_LIMIT } from './ejection';
import { SLOT_S, type Problem } from './problem';

/** So many rounds it is sought that all are in time; so many more where there was a plan with all but one. */
const SEEKS = 1000;
const SEEKS_MORE = 4000;
/** So many rounds it is sought that all together are less late. */
const LESS = 5000;

/** Less late, or fuller; not only shorter, for which it does not begin anew. */
const isLess = (a: Found, b: Found) => a.missing < b.missing || a.cost < b.cost - 1;

/** What {@link Ejection} is asked for, a round at a time; each time the best plan that is known. */
export class Spells {
  private readonly ejection: Ejection;
  private readonly able: readonly number[];
  private readonly least: Float64Array;
  /** Where everybody was when it was last sought that all are in time. */
  private inTime: Found['placements'];
  private readonly leastOfAll: number;
  /** Whether it came near that all are in time when it was last sought. */
  isNear = false;

  constructor(
    private readonly problem: Problem,
    begin: Found,
    movable: readonly number[],
    alone: Alone,
    random: () => number,
  ) {
    this.inTime = begin.placements;
    this.able = movable.filter((i) => alone[i]);
    this.least = Float64Array.from(alone, (one) => one?.cost ?? 0);
    this.leastOfAll = this.least.reduce((sum, c) => sum + c, 0);
    this.ejection = new Ejection(problem, begin, this.able, alone, random);
  }

  /** Whether all who can have a place are as early as they could be alone. */
  isInTime({ placements, cost }: Found): boolean {
    return cost <= this.leastOfAll + 1 && this.able.every((i) => placements[i]);
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

  /** Seeks plans in which all together are less late, whoever it is. @param best the best plan that is known */
  *lessLate(best: Found): Generator<Found, void, void> {
    const { ejection, least } = this;
    ejection.most.set(least);
    ejection.best = best;
    for (let n = 0; n < LESS && !this.isInTime(ejection.best);) {
      const known = ejection.best;
      const all = this.able.every((i) => known.placements[i]);
      const late = all ? known.cost - this.leastOfAll : NO_LIMIT;
      ejection.begin(known.placements, Math.max(0, late - SLOT_S));
      for (; n < LESS && !isLess(ejection.best, known); n += 1) {
        if (ejection.isDone) return;
        ejection.round();
        yield ejection.best;
      }
    }
  }

  private get seeks(): number {
    return this.ejection.fewest <= 1 ? SEEKS + SEEKS_MORE : SEEKS;
  }
}
