import type { Occupancy, Run } from './occupancy';
import { needOf, type Job, type Problem, type Step, type Take } from './problem';
import { SlotSpans } from './slot-spans';

/**
 * What is asked of one step besides: to use a resource in a slot, or not to; to need so many people then (null), or fewer; or
 * to use a resource, and to begin from a slot on and no later than another.
 */
export type Limit =
  | {
      kind: 'covers' | 'avoids';
      step: number;
      slot: number;
      resource: number | null;
      amount: number;
    }
  | { kind: 'in'; step: number; resource: number; from: number; to: number };

/** What is asked less of: a resource by its number as if nobody had it, or people as if there were enough. */
export type Without = { resource?: number; people?: boolean };

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

/** When a step needs so many people or more, slots from its beginning. */
function engagedBy(step: Step, people: number): [number, number][] {
  if (step.people >= people) return [[0, step.slots]];
  return step.visits.filter((v) => needOf(step, v) >= people).map((v) => [v.from, v.to]);
}

/** Into a set, the starts at which a step does what is asked, if it `uses` the resource that is named. */
function allow(set: SlotSpans, step: Step, limit: Limit, uses: boolean): void {
  if (limit.kind === 'in') return void (uses && set.push(limit.from, limit.to + 1));
  const { slot, resource, amount } = limit;
  const whole: [number, number][] = uses ? [[0, step.slots]] : [];
  /* Later parts of a step are where its earlier starts are. */
  const engaged = (resource === null ? engagedBy(step, amount) : whole).reverse();
  let free = 0;
  for (const [from, to] of engaged) {
    if (limit.kind === 'covers') set.push(slot - to + 1, slot - from + 1);
    else set.push(free, slot - to + 1);
    free = slot - from + 1;
  }
  if (limit.kind === 'avoids') set.push(Math.max(0, free), set.slots);
}

/** `first`: which choice of places is preferred, 0 to 1. */
export type Sought = { without: Without; limits: readonly Limit[]; first: number };

/** Where one step may begin, by choice of its places: alone, or in a run that is there. */
export class Starts {
  all: SlotSpans;
  /** Whether any choice may join a run somewhere: only then there is a difference. */
  joinsAny = false;
  private readonly alone: SlotSpans[] = [];
  private readonly joining: number[][] = [];
  private attended: SlotSpans;
  /** Two to work with, which change places with those above. */
  private spare: SlotSpans;
  private readonly scratch: SlotSpans;
  /** Its choices in the order in which they are preferred. */
  private order: number[] = [];
  private step!: Step;
  private limits: readonly Limit[] = [];

  constructor(
    private readonly problem: Problem,
    private readonly taken: Occupancy,
  ) {
    const spans = () => new SlotSpans(problem.slots);
    [this.all, this.attended, this.spare, this.scratch] = [spans(), spans(), spans(), spans()];
  }

  /**
   * Finds the starts of a step in what is left of everything.
   * @param end no step ends after this slot
   */
  find(job: Job, k: number, end: number, { without, limits, first }: Sought): void {
    const step = job.steps[k]!;
    this.step = step;
    this.limits = limits.filter((l) => l.step === k);
    this.joinsAny = false;
    this.all.clear();
    if (step.fixed) {
      const { slot } = step.fixed;
      if (slot >= 0 && slot < end) this.all.push(slot, slot + 1);
      return;
    }
    this.attended.clear().push(job.release, end - step.slots + 1);
    if (!without.people) this.keepAttended(step);
    this.order.length = 0;
    const { length } = step.choices;
    const preferred = step.before?.choice ?? Math.floor(first * length);
    for (let i = 0; i < length; i += 1) this.order.push((preferred + i) % length);
    for (const c of this.order) this.findChoice(step, c, end, without);
  }

  /** The choice a step takes at a start of its own, and whether it joins a run then. */
  choiceAt(t: number): { choice: number; joins: boolean } {
    const { fixed, before } = this.step;
    if (fixed) return { choice: fixed.choice, joins: false };
    const joins = (c: number) => this.joining[c]!.includes(t);
    const may = (c: number) => this.alone[c]!.has(t);
    /* Where it was before it stays, as good as that is; else it lights no fire of its own where it can. */
    const choice = before
      ? this.order.find((c) => joins(c) || may(c))!
      : ((this.joinsAny ? this.order.find(joins) : undefined) ?? this.order.find(may)!);
    return { choice, joins: joins(choice) };
  }

  private keepAttended(step: Step): void {
    const keep = (people: number, slots: number, from: number) => {
      this.scratch.startsIn(this.taken.idleSpans(people), slots, from);
      this.spare.meet(this.attended, this.scratch);
      [this.attended, this.spare] = [this.spare, this.attended];
    };
    if (step.people > 0) keep(step.people, step.slots, 0);
    for (const v of step.visits) keep(needOf(step, v), v.to - v.from, v.from);
  }

  private findChoice(step: Step, c: number, end: number, without: Without): void {
    const { problem, taken } = this;
    let alone = (this.alone[c] ??= new SlotSpans(problem.slots));
    alone.copy(this.attended);
    const runs: Take[] = [];
    for (const take of step.choices[c]!.takes) {
      if (take.resource === without.resource) continue;
      if (problem.resources[take.resource]!.shared === 'same_run') {
        runs.push(take);
        continue;
      }
      taken.roomInto(this.spare, take, end);
      this.scratch.startsIn(this.spare, step.slots);
      this.spare.meet(alone, this.scratch);
      [this.alone[c], this.spare] = [this.spare, alone];
      alone = this.alone[c]!;
    }
    const joining = runs.length > 0 ? this.joinsOf(runs, step.slots) : [];
    this.joining[c] = joining.filter((t) => alone.has(t)).sort((a, b) => a - b);
    for (const { resource } of runs) alone = this.keepClear(c, taken.runs[resource]!, step.slots);
    if (this.limits.length > 0) alone = this.keepAllowed(step, c);
    this.gather(alone);
    if (this.joining[c].length === 0) return;
    this.joinsAny = true;
    this.scratch.clear();
    for (const t of this.joining[c]) this.scratch.push(t, t + 1);
    this.gather(this.scratch);
  }

  /** Keeps the starts of a choice that do what is asked of the step besides. */
  private keepAllowed(step: Step, c: number): SlotSpans {
    for (const limit of this.limits) {
      const set = this.scratch.clear();
      allow(
        set,
        step,
        limit,
        step.choices[c]!.takes.some((t) => t.resource === limit.resource),
      );
      this.joining[c] = this.joining[c]!.filter((t) => set.has(t));
      const kept = this.spare.meet(this.alone[c]!, set);
      [this.alone[c], this.spare] = [kept, this.alone[c]!];
    }
    return this.alone[c]!;
  }

  private gather(more: SlotSpans): void {
    if (this.all.count === 0) return void this.all.copy(more);
    this.spare.unite(this.all, more);
    [this.all, this.spare] = [this.spare, this.all];
  }

  /** Keeps the starts of a choice from which no run is met. */
  private keepClear(c: number, runs: readonly Run[], slots: number): SlotSpans {
    const { scratch, spare } = this;
    scratch.clear();
    let free = 0;
    for (const r of runs) {
      scratch.push(free, r.start - slots + 1);
      free = Math.max(free, r.end);
    }
    scratch.push(free, this.problem.slots);
    const clear = spare.meet(this.alone[c]!, scratch);
    [this.alone[c], this.spare] = [clear, this.alone[c]!];
    return clear;
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
}
