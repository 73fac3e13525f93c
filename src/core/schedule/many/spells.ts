import type { Alone } from './bounds';
import { costOf, type Found } from './draft';
import { Ejection, NO_LIMIT } from './ejection';
import { SLOT_S, type Problem } from './problem';

/** So many rounds it is sought that all are in time; so many more where there was a plan with all but one. */
const SEEKS = 1000;
const SEEKS_MORE = 4000;
/** So many rounds it is sought that all together are less late. */
const LESS = 5000;
/** So many rounds it is sought that one is less late and no other later, where no more than so many are late. */
const ONE = 10_000;
const FEW = 3;

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
  /** What the best plan cost when all less late was last sought. */
  private lessAt = -1;
  /** Where everybody was when it was last sought that one is less late, and what the best plan cost then. */
  private one: { at: number; placements: Found['placements'] } | null = null;
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

  /** Whether only a few are late, and nobody has found all less late since that was sought. */
  isStuckAt(best: Found): boolean {
    const late = this.lateOf(best).length;
    return !this.isNear && this.lessAt === best.cost && late > 1 && late <= FEW;
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
    this.lessAt = ejection.best.cost;
  }

  /**
   * Seeks a plan in which none of those that are late is later, and whoever is so by least is not, or less, or somebody else less
   * instead. It goes on where it was, if nothing better is known since.
   * @param best the best plan that is known
   */
  *oneLess(best: Found): Generator<Found, void, void> {
    const { ejection } = this;
    ejection.best = best;
    for (let n = 0; n < ONE;) {
      const known = ejection.best;
      if (!this.beginOneLess(known)) return;
      for (; n < ONE && !isLess(ejection.best, known); n += 1) {
        if (ejection.isDone) return;
        ejection.round();
        yield ejection.best;
      }
      this.one = { at: ejection.best.cost, placements: ejection.placements };
    }
  }

  /** @returns whether anybody is late */
  private beginOneLess(known: Found): boolean {
    const { ejection, least, one } = this;
    const late = this.lateOf(known);
    const beyond = (i: number) => this.costOf(known, i) - least[i]!;
    const [first, ...others] = late.sort((a, b) => beyond(a) - beyond(b));
    if (first === undefined) return false;
    ejection.most.set(least);
    for (const i of others) ejection.most[i] = this.costOf(known, i);
    const from = one?.at === known.cost ? one.placements : known.placements;
    ejection.begin(from, Math.max(0, beyond(first) - SLOT_S));
    return true;
  }

  /** Who of those that can have a place costs more than alone; none where somebody has no place. */
  private lateOf(found: Found): number[] {
    const { able, least } = this;
    if (!able.every((i) => found.placements[i])) return [];
    return able.filter((i) => this.costOf(found, i) > least[i]! + 1);
  }

  private costOf(found: Found, i: number): number {
    return costOf(this.problem, i, found.placements[i]!);
  }

  private get seeks(): number {
    return this.ejection.fewest <= 1 ? SEEKS + SEEKS_MORE : SEEKS;
  }
}
