import type { Occupancy, Placement } from './occupancy';
import { SLOT_S, type Job, type Problem } from './problem';
import { LatestFirst } from './shortest';
import { SlotSpans } from './slot-spans';
import { Starts, type Limit, type Without } from './starts';
import { Waiting } from './waiting';

export type Ask = {
  /** Between plans that are as good: the earlier, the later, or whichever this says, 0 to 1. */
  tie?: () => number;
  /** Any of the ends that are least late, as the tie says, not only the shortest, and wherever it was before. */
  loose?: boolean;
  /** Loosely, and no step as late as it can be: at either end of any of the times it has, as the tie says. */
  anyhow?: boolean;
  without?: Without;
  /** What is asked of its steps besides. */
  limits?: readonly Limit[];
};
export type Inserted = {
  placement: Placement;
  /** Weighted lateness with what moved steps weigh, s. */
  cost: number;
  spanSlots: number;
};

/** So many slots no plan has: a step that moved outweighs every span among plans that end alike. */
const MOVED = 1e7;
/** Between plans that end alike and are as long, one that joins runs, or is in nobody's way: in sum less than a slot. */
const TIE = 0.9;

/** First it is looked so far beyond ready-by, or beyond where a job was found before: two days; further only where that is not enough. */
const NEAR_SLOTS = 576;

/** What is known of one step while a batch is put in. */
type Stage = {
  starts: Starts;
  /** Where it would be in nobody's way, if that is only wished. */
  clear: Starts | null;
  /** What lies between it and the next. */
  waiting: Waiting;
  /** Starts that can be reached from the first step, and then those of them that lead on to an end that counts. */
  reach: SlotSpans;
  latest: LatestFirst;
  at: Int32Array;
  count: number;
  /** Of each start: the least there is to the way there, by moves and then by the latest first start; and who comes before. */
  value: Float64Array;
  from: Int32Array;
};

/** Keeps one slot of a set, whichever the tie says. */
function keepOne(set: SlotSpans, tie: () => number): void {
  const one = set.at(Math.floor(tie() * set.size));
  set.clear().push(one, one + 1);
}

const mostSteps = ({ jobs }: Problem): number =>
  jobs.reduce((n, j) => Math.max(n, j.steps.length), 0);

/**
 * Puts one batch into what is left of everything, exactly: of all ways to place its steps one with the least cost, among
 * those the shortest from its first start to its last end, and among those one that lights no fire of its own. Spans of slots,
 * forwards and then back from the ends that are best, leave the starts that matter; dynamic programming over them finds, for
 * each, the latest first start that leads there, with as few steps moved and as many runs joined as possible.
 */
export class Insertion {
  private readonly stages: Stage[] = [];
  private readonly queue: Int32Array;
  /** Two to work with; the second changes places with what is reached of a step. */
  private readonly some: SlotSpans;
  private spare: SlotSpans;
  /** How far each job is looked at first, slots. */
  private readonly near: Int32Array;

  constructor(
    private readonly problem: Problem,
    private readonly taken: Occupancy,
    /** Who is only wished not to be in the way: of plans as long, one that is clear of them. */
    others?: Occupancy,
  ) {
    const { slots, jobs } = problem;
    this.queue = new Int32Array(slots + 1);
    [this.some, this.spare] = [new SlotSpans(slots), new SlotSpans(slots)];
    this.near = Int32Array.from(jobs, (j) => Math.ceil(j.due) + NEAR_SLOTS);
    for (let k = 0; k < mostSteps(problem); k += 1)
      this.stages.push({
        starts: new Starts(problem, taken),
        clear: others ? new Starts(problem, others) : null,
        waiting: new Waiting(slots),
        reach: new SlotSpans(slots),
        latest: new LatestFirst(slots),
        at: new Int32Array(slots),
        count: 0,
        value: new Float64Array(slots),
        from: new Int32Array(slots),
      });
  }

  /** @returns null where there is no place within the horizon */
  insert(number: number, ask: Ask = {}): Inserted | null {
    const job = this.problem.jobs[number]!;
    const near = this.near[number]!;
    if (near > 0 && near < this.problem.slots) {
      const found = this.within(job, near, ask);
      /* Whatever ends later than what was looked at is later than this. */
      if (found && found.cost < (near - job.due) * SLOT_S * job.weight) return found;
    }
    const found = this.within(job, this.problem.slots, ask);
    const last = job.steps.length - 1;
    const end = found ? found.placement.starts[last]! + job.steps[last]!.slots : near;
    this.near[number] = Math.max(near, end + NEAR_SLOTS);
    return found;
  }

  private within(job: Job, end: number, ask: Ask): Inserted | null {
    const { tie = () => 0, anyhow = false, without = {}, limits = [] } = ask;
    const loose = anyhow || ask.loose === true;
    for (let k = 0; k < job.steps.length; k += 1) {
      const { starts, clear, reach, waiting } = this.stages[k]!;
      const sought = { without, limits, first: tie() };
      starts.find(job, k, end, sought);
      clear?.find(job, k, end, sought);
      waiting.find(job.steps[k]!, job.steps[k + 1], this.taken, end, without);
      this.keepFollowing(job, k, starts.all, reach);
      if (reach.count === 0) return null;
    }
    const moves = loose ? 0 : job.steps.filter((s) => s.before).length;
    this.keepCheapEnds(job, moves * this.problem.moveCostS);
    if (anyhow) {
      keepOne(this.lastReach(job), tie);
      return this.back(job, tie);
    }
    if (moves === 0) {
      const least = loose ? 0 : this.keepShortest(job);
      if (loose || !this.differs(job)) keepOne(this.lastReach(job), tie);
      if (!this.differs(job)) return this.back(job);
      this.keepSpan(job, loose ? this.back(job).spanSlots : least);
    }
    this.keepLeadingOn(job);
    for (let k = 0; k < job.steps.length; k += 1) this.walk(job, k, moves > 0);
    return this.best(job, tie);
  }

  /** The way to the one end that is kept on which each step begins as late as it can: no other is shorter. Or any, by a tie. */
  private back(job: Job, any?: () => number): Inserted {
    const last = job.steps.length - 1;
    const starts = new Int32Array(last + 1);
    const choices = new Int32Array(last + 1);
    const holds = new Int32Array(last + 1).fill(-1);
    for (let k = last; k >= 0; k -= 1) {
      const { reach, waiting, starts: own } = this.stages[k]!;
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

  /** Into `reach`, those starts of step k that follow on what is reached of the step before. */
  private keepFollowing(job: Job, k: number, starts: SlotSpans, reach: SlotSpans): void {
    if (k === 0) return void reach.copy(starts);
    const earlier = this.stages[k - 1]!;
    earlier.waiting.after(earlier.reach, this.some);
    reach.meet(this.some, starts);
  }

  /** Keeps what leads on to what is kept of the last step. */
  private keepLeadingOn(job: Job): void {
    for (let k = job.steps.length - 2; k >= 0; k -= 1) {
      this.stages[k]!.waiting.before(this.stages[k + 1]!.reach, this.some);
      this.keepOf(k, this.some);
    }
  }

  /** The first slot at which the last step would begin too late, where its cost may be so much above the least. */
  private tooLate(job: Job, above: number): number {
    if (job.weight === 0) return this.problem.slots;
    const last = job.steps.length - 1;
    const { slots } = job.steps[last]!;
    const least = Math.max(0, this.stages[last]!.reach.from(0) + slots - job.due);
    const most = least + above / (SLOT_S * job.weight);
    return Math.floor(job.due + most - slots + 1e-9) + 1;
  }

  /** Keeps all that ends at a cost at most so much above the least. */
  private keepCheapEnds(job: Job, above: number): void {
    this.some.clear().push(0, this.tooLate(job, above));
    this.keepOf(job.steps.length - 1, this.some);
  }

  /** Keeps of what is reached of step k only what is in a set. */
  private keepOf(k: number, set: SlotSpans): void {
    const stage = this.stages[k]!;
    const { reach } = stage;
    stage.reach = this.spare.meet(reach, set);
    this.spare = reach;
  }

  /** Keeps those of the ends that are the shortest; @returns slots from the first start to the last end */
  private keepShortest(job: Job): number {
    const last = job.steps.length - 1;
    const { stages } = this;
    stages[0]!.latest.begin(stages[0]!.reach);
    for (let k = 1; k <= last; k += 1)
      stages[k]!.latest.follow(stages[k - 1]!.latest, stages[k]!.reach, job.steps[k - 1]!.slots);
    return stages[last]!.latest.shortest(this.lastReach(job)) + job.steps[last]!.slots;
  }

  /** Keeps what is so long from the first start to one of the ends. */
  private keepSpan(job: Job, spanSlots: number): void {
    const { stages, some } = this;
    const last = job.steps.length - 1;
    if (last === 0) return;
    some.startsIn(this.lastReach(job), 1, spanSlots - job.steps[last]!.slots);
    this.keepOf(0, some);
    for (let k = 1; k < last; k += 1) {
      stages[k - 1]!.waiting.after(stages[k - 1]!.reach, some);
      this.keepOf(k, some);
    }
  }

  private lastReach(job: Job): SlotSpans {
    return this.stages[job.steps.length - 1]!.reach;
  }

  /** Whether ways of one length differ: by runs that can be joined, or by who is in the way. */
  private differs(job: Job): boolean {
    for (let k = 0; k < job.steps.length; k += 1) {
      const { starts, clear } = this.stages[k]!;
      if (starts.joinsAny || clear) return true;
    }
    return false;
  }

  /** For each start of step k, the best way to there. */
  private walk(job: Job, k: number, stays: boolean): void {
    const stage = this.stages[k]!;
    const { starts, clear, reach, at, value, from } = stage;
    stage.count = reach.listInto(at);
    const was = stays ? job.steps[k]!.before : null;
    const joins = starts.joinsAny;
    const join = TIE / job.steps.length;
    const priceAt = (t: number): number => {
      if (clear) return clear.all.has(t) ? -join : 0;
      if (!joins && !was) return 0;
      if (!joins && was!.slot !== t) return MOVED;
      const taken = starts.choiceAt(t);
      const isMoved = was && (was.slot !== t || was.choice !== taken.choice);
      return (isMoved ? MOVED : 0) - (taken.joins ? join : 0);
    };
    if (k === 0) {
      for (let i = 0; i < stage.count; i += 1) value[i] = priceAt(at[i]!) - at[i]!;
      return;
    }
    const { queue } = this;
    const earlier = job.steps[k - 1]!;
    const before = this.stages[k - 1]!;
    let [head, tail, next] = [0, 0, 0];
    for (let i = 0; i < stage.count; i += 1) {
      const newest = at[i]! - earlier.slots;
      for (; next < before.count && before.at[next]! <= newest; next += 1) {
        while (tail > head && before.value[queue[tail - 1]!]! >= before.value[next]!) tail -= 1;
        queue[tail] = next;
        tail += 1;
      }
      const oldest = before.waiting.earliest(at[i]!);
      while (before.at[queue[head]!]! < oldest) head += 1;
      from[i] = queue[head]!;
      value[i] = before.value[from[i]!]! + priceAt(at[i]!);
    }
  }

  private best(job: Job, tie: () => number): Inserted {
    const last = job.steps.length - 1;
    const { at, value, count } = this.stages[last]!;
    const { slots: length } = job.steps[last]!;
    let [found, cost, span, ties] = [-1, Infinity, Infinity, 0];
    for (let i = 0; i < count; i += 1) {
      const moves = Math.max(0, Math.round(value[i]! / MOVED));
      const end = at[i]! + length;
      const late = Math.max(0, end - job.due) * SLOT_S * job.weight;
      const costHere = late + moves * this.problem.moveCostS;
      const spanHere = end + (value[i]! - moves * MOVED);
      const better = costHere < cost - 1e-9 || (costHere < cost + 1e-9 && spanHere < span - 1e-9);
      const same = !better && costHere < cost + 1e-9 && spanHere < span + 1e-9;
      ties = better ? 1 : same ? ties + 1 : ties;
      if (better || (same && tie() * ties > ties - 1))
        [found, cost, span] = [i, costHere, spanHere];
    }
    return { placement: this.trace(job, found), cost, spanSlots: Math.ceil(span - 1e-6) };
  }

  private trace(job: Job, lastStart: number): Placement {
    const starts = new Int32Array(job.steps.length);
    const choices = new Int32Array(job.steps.length);
    const holds = new Int32Array(job.steps.length).fill(-1);
    let i = lastStart;
    for (let k = job.steps.length - 1; k >= 0; k -= 1) {
      const stage = this.stages[k]!;
      starts[k] = stage.at[i]!;
      const own = stage.clear?.all.has(starts[k]!) ? stage.clear : stage.starts;
      choices[k] = own.choiceAt(starts[k]!).choice;
      if (k + 1 < starts.length) holds[k] = stage.waiting.placeOf(starts[k]!, starts[k + 1]!);
      i = stage.from[i]!;
    }
    return { starts, choices, holds };
  }
}
