import type { Occupancy } from './occupancy';
import { SLOT_S, type Job, type Problem } from './problem';
import { Reach, type Where } from './reach';
import { LatestFirst } from './shortest';
import type { SlotSpans } from './slot-spans';
import { Ways, type Inserted } from './ways';

export type Ask = Where & {
  /** Any of the ends that are least late, as the tie says, not only the shortest, and wherever it was before. */
  loose?: boolean;
  /** Loosely, and no step as late as it can be: at either end of any of the times it has, as the tie says. */
  anyhow?: boolean;
  /** What costs more is of no use. */
  upTo?: number;
};

/** First it is looked so far beyond ready-by, or beyond where a job was found before: two days; further only where that is not enough. */
const NEAR_SLOTS = 576;

/** Keeps one slot of a set, whichever the tie says. */
function keepOne(set: SlotSpans, tie: () => number): void {
  const one = set.at(Math.floor(tie() * set.size));
  set.clear().push(one, one + 1);
}

/**
 * Puts one batch into what is left of everything, exactly: of all ways to place its steps one with the least cost, among
 * those the shortest from its first start to its last end, and among those one that lights no fire of its own. Spans of slots
 * that can be reached ({@link Reach}), and then those that lead on to the ends that are best, leave the starts that matter; where
 * they still differ, dynamic programming ({@link Ways}) finds the way with as few steps moved and as many runs joined as possible.
 */
export class Insertion {
  private readonly reach: Reach;
  private readonly ways: Ways;
  private readonly latest: LatestFirst[];
  /** How far each job is looked at first, slots. */
  private readonly near: Int32Array;

  constructor(
    private readonly problem: Problem,
    taken: Occupancy,
    /** Who is only wished not to be in the way: of plans as long, one that is clear of them. */
    others?: Occupancy,
  ) {
    this.near = Int32Array.from(problem.jobs, (j) => Math.ceil(j.due) + NEAR_SLOTS);
    this.reach = new Reach(problem, taken, others);
    this.ways = new Ways(problem, this.reach);
    this.latest = this.reach.stages.map(() => new LatestFirst(problem.slots));
  }

  /** @returns null where there is no place within the horizon, or none that is of use */
  insert(number: number, ask: Ask = {}): Inserted | null {
    const job = this.problem.jobs[number]!;
    const near = this.near[number]!;
    const most = Math.max(0, ask.upTo ?? Infinity) / (job.weight * SLOT_S);
    const useful = Math.floor(job.due + most + 1e-9);
    if (useful < Math.min(near, this.problem.slots)) return this.within(number, useful, ask);
    if (near > 0 && near < this.problem.slots) {
      const found = this.within(number, near, ask);
      /* Whatever ends later than what was looked at is later than this. */
      if (found && found.cost < (near - job.due) * SLOT_S * job.weight) return found;
    }
    const found = this.within(number, this.problem.slots, ask);
    const last = job.steps.length - 1;
    const end = found ? found.placement.starts[last]! + job.steps[last]!.slots : near;
    this.near[number] = Math.max(near, end + NEAR_SLOTS);
    return found;
  }

  private within(number: number, end: number, ask: Ask): Inserted | null {
    const job = this.problem.jobs[number]!;
    const { tie = () => 0, anyhow = false } = ask;
    const { reach } = this;
    const loose = anyhow || ask.loose === true;
    if (!reach.find(number, end, ask)) return null;
    const moves = loose ? 0 : job.steps.filter((s) => s.before).length;
    this.keepCheapEnds(job, moves * this.problem.moveCostS);
    if (anyhow) {
      keepOne(reach.ofLast(job), tie);
      return this.back(job, tie);
    }
    if (moves === 0) {
      const least = loose ? 0 : this.keepShortest(job);
      const differs = reach.differs(job);
      if (loose || !differs) keepOne(reach.ofLast(job), tie);
      if (!differs) return this.back(job);
      this.keepSpan(job, loose ? this.back(job).spanSlots : least);
    }
    reach.keepLeadingOn(job);
    const only = moves === 0 ? reach.onlyJoining(job) : -1;
    return only >= 0 ? this.joining(job, only, tie) : this.ways.best(job, moves > 0, tie);
  }

  /** The way to the one end that is kept on which each step begins as late as it can: no other is shorter. Or any, by a tie. */
  private back(job: Job, any?: () => number): Inserted {
    const last = job.steps.length - 1;
    const starts = new Int32Array(last + 1);
    const choices = new Int32Array(last + 1);
    const holds = new Int32Array(last + 1).fill(-1);
    for (let k = last; k >= 0; k -= 1) {
      const { reach, waiting, starts: own } = this.reach.stages[k]!;
      const until = k === last ? this.problem.slots : starts[k + 1]! - job.steps[k]!.slots;
      starts[k] =
        any && k < last
          ? reach.edgeIn(waiting.earliest(starts[k + 1]!), until, any)
          : reach.lastUpTo(until);
      choices[k] = own.choiceAt(starts[k]!).choice;
      if (k < last) holds[k] = waiting.placeOf(starts[k]!, starts[k + 1]!);
    }
    const end = starts[last]! + job.steps[last]!.slots;
    const cost = Math.max(0, end - job.due) * SLOT_S * job.weight;
    return { placement: { starts, choices, holds }, cost, spanSlots: end - starts[0]! };
  }

  /** The first slot at which the last step would begin too late, where its cost may be so much above the least. */
  private tooLate(job: Job, above: number): number {
    if (job.weight === 0) return this.problem.slots;
    const last = job.steps.length - 1;
    const { slots } = job.steps[last]!;
    const least = Math.max(0, this.reach.ofLast(job).from(0) + slots - job.due);
    const most = least + above / (SLOT_S * job.weight);
    return Math.floor(job.due + most - slots + 1e-9) + 1;
  }

  /** Keeps all that ends at a cost at most so much above the least. */
  private keepCheapEnds(job: Job, above: number): void {
    const { reach } = this;
    reach.some.clear().push(0, this.tooLate(job, above));
    reach.keepOf(job.steps.length - 1, reach.some);
  }

  /** Keeps those of the ends that are the shortest; @returns slots from the first start to the last end */
  private keepShortest(job: Job): number {
    const { latest } = this;
    const { stages } = this.reach;
    const last = job.steps.length - 1;
    latest[0]!.begin(stages[0]!.reach);
    for (let k = 1; k <= last; k += 1)
      latest[k]!.follow(latest[k - 1]!, stages[k]!.reach, job.steps[k - 1]!.slots);
    return latest[last]!.shortest(this.reach.ofLast(job)) + job.steps[last]!.slots;
  }

  /** Keeps what is so long from the first start to one of the ends. */
  private keepSpan(job: Job, spanSlots: number): void {
    const { reach } = this;
    const last = job.steps.length - 1;
    if (last === 0) return;
    reach.some.startsIn(reach.ofLast(job), 1, spanSlots - job.steps[last]!.slots);
    reach.keepOf(0, reach.some);
    for (let k = 1; k < last; k += 1) reach.keepFollowing(k);
  }

  /** One of the ways that are kept, with a run that step k joins if there is any. */
  private joining(job: Job, k: number, tie: () => number): Inserted {
    const { reach } = this;
    const stage = reach.stages[k]!;
    const at = stage.starts.joinIn(stage.reach, tie);
    if (at >= 0) {
      reach.some.clear().push(at, at + 1);
      reach.keepOf(k, reach.some);
      for (let next = k + 1; next < job.steps.length; next += 1) reach.keepFollowing(next);
    }
    keepOne(reach.ofLast(job), tie);
    return this.back(job);
  }
}
