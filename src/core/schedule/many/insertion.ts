import type { Occupancy, Placement, Run } from './occupancy';
import { SLOT_S, type Job, type Problem, type Step, type Take } from './problem';

/** What is asked less of: a resource by its number as if nobody had it, or people as if there were enough. */
export type Without = { resource?: number; people?: boolean };
export type Ask = {
  /** Between plans that are as good: the earlier, the later, or whichever this says, 0 to 1. */
  tie?: () => number;
  without?: Without;
};
export type Inserted = {
  placement: Placement;
  /** Weighted lateness with what moved steps weigh, s. */
  cost: number;
  spanSlots: number;
};

/** The value of a start that there is no way to. */
const NEVER = Infinity;
/** So many slots no plan has: a step that moved outweighs every span among plans that end alike. */
const MOVED = 1e7;
/** Between plans that end alike and are as long, one that joins runs: in sum less than a slot, however many it joins. */
const JOINED = 0.9;
/** First it is looked so far beyond ready-by, or beyond where a job was found before: two days; further only where that is not enough. */
const NEAR_SLOTS = 576;

/** Starts at which a step may join a run that is there: the same key, room left, and nobody else in the way. */
function joins(
  runs: readonly Run[],
  { key, amount }: Take,
  capacity: number,
  slots: number,
): number[] {
  if (key === null) return [];
  return runs
    .filter((r) => r.key === key && r.amount + amount <= capacity + 1e-9)
    .filter((r) => {
      const end = Math.max(r.end, r.start + slots);
      return runs.every((x) => x === r || x.end <= r.start || x.start >= end);
    })
    .map((r) => r.start);
}

/**
 * Puts one batch into what is left of everything, exactly: of all ways to place its steps one with the least cost, among
 * those the shortest from its first start to its last end, and among those one that lights no fire of its own. Dynamic
 * programming over steps and slots: for each slot that a step may begin in, the latest first start that leads there, with
 * as few steps moved as possible.
 */
export class Insertion {
  /** Slots that the people of a step, and then one choice of its places, keep it out of. */
  private readonly busy: Uint8Array;
  /** Starts that it is kept out of by who must come to it besides. */
  private readonly barred: Uint8Array;
  private readonly blocked: Uint8Array;
  /** By step: the best choice at each slot plus 1, 0 where it cannot begin; and what is known of the way to there. */
  private readonly choice: Uint8Array[] = [];
  private readonly joined: Uint8Array[] = [];
  private readonly value: Float64Array[] = [];
  private readonly from: Int32Array[] = [];
  private readonly queue: Int32Array;
  /** How far each job is looked at first. */
  private readonly reach: Int32Array;
  /** Slots that are looked at. */
  private slots: number;

  constructor(
    private readonly problem: Problem,
    private readonly taken: Occupancy,
  ) {
    const { slots, jobs } = problem;
    this.slots = slots;
    this.busy = new Uint8Array(slots);
    this.barred = new Uint8Array(slots);
    this.blocked = new Uint8Array(slots);
    this.queue = new Int32Array(slots + 1);
    this.reach = Int32Array.from(jobs, (j) => Math.ceil(j.due) + NEAR_SLOTS);
    const most = jobs.reduce((n, j) => Math.max(n, j.steps.length), 0);
    for (let k = 0; k < most; k += 1) {
      this.choice.push(new Uint8Array(slots));
      this.joined.push(new Uint8Array(slots));
      this.value.push(new Float64Array(slots));
      this.from.push(new Int32Array(slots));
    }
  }

  /** @returns null where there is no place within the horizon */
  insert(number: number, ask: Ask = {}): Inserted | null {
    const job = this.problem.jobs[number]!;
    const near = this.reach[number]!;
    if (near > 0 && near < this.problem.slots) {
      const found = this.within(job, near, ask);
      /* Whatever ends later than what was looked at is later than this. */
      if (found && found.cost < (near - job.due) * SLOT_S * job.weight) return found;
    }
    const found = this.within(job, this.problem.slots, ask);
    const last = job.steps.length - 1;
    const end = found ? found.placement.starts[last]! + job.steps[last]!.slots : near;
    this.reach[number] = Math.max(near, end + NEAR_SLOTS);
    return found;
  }

  private within(job: Job, slots: number, ask: Ask): Inserted | null {
    this.slots = slots;
    for (const [k, step] of job.steps.entries()) {
      this.markStarts(job, step, k, ask);
      this.walk(job, k);
    }
    return this.best(job, ask.tie ?? (() => 0));
  }

  /** Marks where a step may begin, and with which choice. */
  private markStarts(job: Job, step: Step, k: number, ask: Ask): void {
    const out = this.choice[k]!;
    out.fill(0, 0, this.slots);
    this.joined[k]!.fill(0, 0, this.slots);
    if (step.fixed) {
      if (step.fixed.slot >= 0 && step.fixed.slot < this.slots)
        out[step.fixed.slot] = step.fixed.choice + 1;
      return;
    }
    const { taken, busy } = this;
    busy.fill(0, 0, this.slots);
    if (step.people > 0 && !ask.without?.people)
      for (let t = job.release; t < this.slots; t += 1)
        if (taken.idle[t]! < step.people) busy[t] = 1;
    this.barStarts(step, ask);
    const order = step.choices.map((_, i) => i);
    /* The place of before first, then the others, which of them first is left to the tie. */
    const first = step.before?.choice ?? Math.floor((ask.tie?.() ?? 0) * order.length);
    order.push(...order.splice(0, first));
    for (const c of order) this.markChoice(job, step, c, k, ask.without ?? {});
  }

  /** A start is barred where too few are idle at any moment of a visit. */
  private barStarts(step: Step, ask: Ask): void {
    const { taken, barred, slots } = this;
    barred.fill(0, 0, slots);
    if (ask.without?.people) return;
    for (const { from, to, people } of step.visits) {
      const need = step.people + people;
      for (let t = from; t < slots; t += 1)
        if (taken.idle[t]! < need) barred.fill(1, Math.max(0, t - to + 1), t - from + 1);
    }
  }

  private markChoice(job: Job, step: Step, c: number, k: number, without: Without): void {
    const { problem, taken, blocked, slots } = this;
    const [out, joined] = [this.choice[k]!, this.joined[k]!];
    blocked.set(this.busy);
    const runs: Take[] = [];
    for (const take of step.choices[c]!.takes) {
      if (take.resource === without.resource) continue;
      const { shared, capacity } = problem.resources[take.resource]!;
      if (shared === 'same_run') {
        runs.push(take);
        continue;
      }
      const sum = taken.sums[take.resource]!;
      const most = capacity - take.amount + 1e-9;
      for (let t = job.release; t < slots; t += 1) if (sum[t]! > most) blocked[t] = 1;
    }
    for (const t of this.joinsOf(runs, step.slots))
      if (t >= job.release && !joined[t] && !this.barred[t] && this.isClear(t, step.slots)) {
        /* Where it was before it stays, as good as that is. */
        if (out[t] && step.before) continue;
        out[t] = c + 1;
        joined[t] = 1;
      }
    for (const { resource } of runs)
      for (const r of taken.runs[resource]!)
        blocked.fill(1, Math.max(0, r.start), Math.min(slots, Math.max(0, r.end)));
    let clear = 0;
    for (let t = job.release; t < slots; t += 1) {
      clear = blocked[t] ? 0 : clear + 1;
      const start = t - step.slots + 1;
      if (clear >= step.slots && !out[start] && !this.barred[start]) out[start] = c + 1;
    }
  }

  private isClear(start: number, length: number): boolean {
    if (start + length > this.slots) return false;
    for (let t = start; t < start + length; t += 1) if (this.blocked[t]) return false;
    return true;
  }

  /** Starts at which a step may join runs that are there, in every place that it takes. */
  private joinsOf(takes: readonly Take[], slots: number): number[] {
    const { problem, taken } = this;
    const open = takes.map((t) => {
      const runs = taken.runs[t.resource]!;
      return joins(runs, t, problem.resources[t.resource]!.capacity, slots);
    });
    const isFree = (t: Take, at: number) =>
      taken.runs[t.resource]!.every((r) => r.end <= at || r.start >= at + slots);
    return [...new Set(open.flat())].filter((at) =>
      takes.every((t, i) => open[i]!.includes(at) || isFree(t, at)),
    );
  }

  /** For each slot that step k may begin in, the best way to there. */
  private walk(job: Job, k: number): void {
    const { before: was } = job.steps[k]!;
    const { slots, queue } = this;
    const [value, choice] = [this.value[k]!, this.choice[k]!];
    const joined = this.joined[k]!;
    const join = JOINED / job.steps.length;
    const priceAt = (t: number) =>
      (was && (was.slot !== t || was.choice !== choice[t]! - 1) ? MOVED : 0) -
      (joined[t] ? join : 0);
    if (k === 0) {
      for (let t = 0; t < slots; t += 1) value[t] = choice[t] ? priceAt(t) - t : NEVER;
      return;
    }
    const earlier = job.steps[k - 1]!;
    const [before, from] = [this.value[k - 1]!, this.from[k]!];
    let [head, tail, next] = [0, 0, 0];
    for (let t = 0; t < slots; t += 1) {
      const newest = t - earlier.slots;
      for (; next <= newest; next += 1) {
        if (before[next] === NEVER) continue;
        while (tail > head && before[queue[tail - 1]!]! >= before[next]!) tail -= 1;
        queue[tail] = next;
        tail += 1;
      }
      if (!choice[t]) {
        value[t] = NEVER;
        continue;
      }
      const oldest = newest - earlier.waitSlots;
      while (tail > head && queue[head]! < oldest) head += 1;
      if (tail === head) value[t] = NEVER;
      else {
        from[t] = queue[head]!;
        value[t] = before[from[t]!]! + priceAt(t);
      }
    }
  }

  private best(job: Job, tie: () => number): Inserted | null {
    const last = job.steps.length - 1;
    const value = this.value[last]!;
    const { slots: length } = job.steps[last]!;
    let [at, cost, span, ties] = [-1, NEVER, NEVER, 0];
    for (let t = 0; t < this.slots; t += 1) {
      if (value[t] === NEVER) continue;
      const moves = Math.max(0, Math.round(value[t]! / MOVED));
      const end = t + length;
      const late = Math.max(0, end - job.due) * SLOT_S * job.weight;
      const costHere = late + moves * this.problem.moveCostS;
      /* Later ends cost no less, moves apart: nothing better comes. */
      if (late > cost) break;
      const spanHere = end + (value[t]! - moves * MOVED);
      const better = costHere < cost - 1e-9 || (costHere < cost + 1e-9 && spanHere < span - 1e-9);
      const same = !better && costHere < cost + 1e-9 && spanHere < span + 1e-9;
      ties = better ? 1 : same ? ties + 1 : ties;
      if (better || (same && tie() * ties > ties - 1)) [at, cost, span] = [t, costHere, spanHere];
    }
    return at < 0
      ? null
      : { placement: this.trace(job, at), cost, spanSlots: Math.ceil(span - 1e-6) };
  }

  private trace(job: Job, lastStart: number): Placement {
    const starts = new Int32Array(job.steps.length);
    const choices = new Int32Array(job.steps.length);
    let t = lastStart;
    for (let k = job.steps.length - 1; k >= 0; k -= 1) {
      starts[k] = t;
      choices[k] = this.choice[k]![t]! - 1;
      if (k > 0) t = this.from[k]![t]!;
    }
    return { starts, choices };
  }
}
