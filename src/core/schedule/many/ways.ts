import type { Placement } from './occupancy';
import { SLOT_S, type Job, type Problem } from './problem';
import type { Reach } from './reach';

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

type Walked = {
  at: Int32Array;
  count: number;
  /** Of each start: the least there is to the way there, by moves and then by the latest first start; and who comes before. */
  value: Float64Array;
  from: Int32Array;
};

/** Of the ways that are kept of a batch, the best: dynamic programming, from one start of a step to the next. */
export class Ways {
  private readonly walked: Walked[];
  private readonly queue: Int32Array;

  constructor(
    private readonly problem: Problem,
    private readonly reach: Reach,
  ) {
    const { slots } = problem;
    this.queue = new Int32Array(slots + 1);
    this.walked = reach.stages.map(() => ({
      at: new Int32Array(slots),
      count: 0,
      value: new Float64Array(slots),
      from: new Int32Array(slots),
    }));
  }

  /** @param stays whether steps that are not where they were before cost something */
  best(job: Job, stays: boolean, tie: () => number): Inserted {
    for (let k = 0; k < job.steps.length; k += 1) this.walk(job, k, stays);
    return this.pick(job, tie);
  }

  /** For each start of step k, the best way to there. */
  private walk(job: Job, k: number, stays: boolean): void {
    const { starts, clear, reach } = this.reach.stages[k]!;
    const walked = this.walked[k]!;
    const { at, value, from } = walked;
    walked.count = reach.listInto(at);
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
      for (let i = 0; i < walked.count; i += 1) value[i] = priceAt(at[i]!) - at[i]!;
      return;
    }
    const { queue } = this;
    const earlier = job.steps[k - 1]!;
    const before = this.walked[k - 1]!;
    const { waiting } = this.reach.stages[k - 1]!;
    let [head, tail, next] = [0, 0, 0];
    for (let i = 0; i < walked.count; i += 1) {
      const newest = at[i]! - earlier.slots;
      for (; next < before.count && before.at[next]! <= newest; next += 1) {
        while (tail > head && before.value[queue[tail - 1]!]! >= before.value[next]!) tail -= 1;
        queue[tail] = next;
        tail += 1;
      }
      const oldest = waiting.earliest(at[i]!);
      while (before.at[queue[head]!]! < oldest) head += 1;
      from[i] = queue[head]!;
      value[i] = before.value[from[i]!]! + priceAt(at[i]!);
    }
  }

  private pick(job: Job, tie: () => number): Inserted {
    const last = job.steps.length - 1;
    const { at, value, count } = this.walked[last]!;
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
      const { starts: any, clear, waiting } = this.reach.stages[k]!;
      starts[k] = this.walked[k]!.at[i]!;
      const own = clear?.all.has(starts[k]!) ? clear : any;
      choices[k] = own.choiceAt(starts[k]!).choice;
      if (k + 1 < starts.length) holds[k] = waiting.placeOf(starts[k]!, starts[k + 1]!);
      i = this.walked[k]!.from[i]!;
    }
    return { starts, choices, holds };
  }
}
