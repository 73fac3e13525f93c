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

const NOWHERE: readonly number[] = [];

/** `first`: which choice of places is preferred, 0 to 1. */
export type Sought = { without: Without; limits: readonly Limit[]; first: number };

/** Where one step may begin, by choice of its places: alone, or in a run that is there. */
export class Starts {
  all: SlotSpans;
  /** Whether any choice may join a run somewhere: only then there is a difference. */
  joinsAny = false;
  private readonly alone: SlotSpans[] = [];
  private readonly joining: (readonly number[])[] = [];
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
   * @param among only these are looked at
   * @param end no step ends after this slot
   */
  find(job: Job, k: number, among: SlotSpans, end: number, sought: Sought): void {
    const step = job.steps[k]!;
    const { without, limits, first } = sought;
    this.step = step;
    this.limits = limits.length > 0 ? limits.filter((l) => l.step === k) : limits;
    this.joinsAny = false;
    this.all.clear();
    if (step.fixed) {
      const { slot } = step.fixed;
      if (among.has(slot)) this.all.push(slot, slot + 1);
      return;
    }
    this.scratch.clear().push(job.release, end - step.slots + 1);
    this.attended.meet(among, this.scratch);
    if (!without.people) this.keepAttended(step);
    if (this.attended.count === 0) return;
    const { length } = step.choices;
    const preferred = step.before?.choice ?? Math.floor(first * length);
    if (this.order.length !== length) this.order = new Array<number>(length).fill(0);
    for (let i = 0; i < length; i += 1) {
      const c = (preferred + i) % length;
      this.order[i] = c;
      this.findChoice(step, c, without);
    }
  }

  /** The choice a step takes at a start of its own, and whether it joins a run then. */
  choiceAt(t: number): { choice: number; joins: boolean } {
    const { fixed, before } = this.step;
    if (fixed) return { choice: fixed.choice, joins: false };
    /* Where it was before it stays, as good as that is; else it lights no fire of its own where it can. */
    let alone = -1;
    for (const c of this.order) {
      const joins = this.joining[c]!.includes(t);
      if (joins) return { choice: c, joins };
      if (alone >= 0 || !this.alone[c]!.has(t)) continue;
      if (before || !this.joinsAny) return { choice: c, joins };
      alone = c;
    }
    return { choice: alone, joins: false };
  }

  /** One of the starts in a set at which it joins a run, as the tie says; -1 where there is none. */
  joinIn(set: SlotSpans, tie: () => number): number {
    let [found, count] = [-1, 0];
    for (const c of this.order)
      for (const t of this.joining[c]!) {
        if (!set.has(t)) continue;
        count += 1;
        if (tie() * count < 1) found = t;
      }
    return found;
  }

  private keepAttended(step: Step): void {
    if (step.people > 0) this.keepIdle(step.people, step.slots, 0);
    for (const v of step.visits) this.keepIdle(needOf(step, v), v.to - v.from, v.from);
  }

  private keepIdle(people: number, slots: number, from: number): void {
    this.spare.meetStarts(this.attended, this.taken.idleSpans(people), slots, from);
    [this.attended, this.spare] = [this.spare, this.attended];
  }

  private findChoice(step: Step, c: number, without: Without): void {
    const { problem, taken, attended } = this;
    let alone = (this.alone[c] ??= new SlotSpans(problem.slots));
    this.joining[c] = NOWHERE;
    alone.copy(attended);
    const { takes } = step.choices[c]!;
    let runs = 0;
    for (const take of takes) {
      if (take.resource === without.resource || alone.count === 0) continue;
      if (problem.resources[take.resource]!.shared === 'same_run') {
        runs += 1;
        continue;
      }
      const until = alone.to(alone.count - 1) + step.slots;
      taken.roomInto(this.scratch, take, alone.from(0), until);
      this.spare.meetStarts(alone, this.scratch, step.slots);
      [this.alone[c], this.spare] = [this.spare, alone];
      alone = this.alone[c]!;
    }
    if (runs > 0) alone = this.findRuns(step, c, without);
    if (this.limits.length > 0) alone = this.keepAllowed(step, c);
    this.gather(alone);
    if (this.joining[c].length === 0) return;
    this.joinsAny = true;
    this.scratch.clear();
    for (const t of this.joining[c]) this.scratch.push(t, t + 1);
    this.gather(this.scratch);
  }

  /** Of a choice that takes places one run at a time: keeps its starts from which no run is met, and those at which it joins one. */
  private findRuns(step: Step, c: number, without: Without): SlotSpans {
    const runs = step.choices[c]!.takes.filter(
      ({ resource }) =>
        resource !== without.resource && this.problem.resources[resource]!.shared === 'same_run',
    );
    this.joining[c] = this.joinsOf(runs, step.slots, this.alone[c]!);
    for (const { resource } of runs) this.keepClear(c, this.taken.runs[resource]!, step.slots);
    return this.alone[c]!;
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
  private keepClear(c: number, runs: readonly Run[], slots: number): void {
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
  }

  /** Starts in order at which a step may join runs that are there, in every place that it takes. */
  private joinsOf(takes: readonly Take[], slots: number, alone: SlotSpans): readonly number[] {
    let found: number[] | undefined;
    for (const take of takes) {
      if (take.key === null || alone.count === 0) continue;
      for (const run of this.taken.runs[take.resource]!) {
        const at = run.start;
        if (run.key !== take.key || found?.includes(at) || !alone.has(at)) continue;
        if (takes.every((t) => this.mayEnter(t, at, slots))) (found ??= []).push(at);
      }
    }
    return (takes.length > 1 ? found?.sort((a, b) => a - b) : found) ?? NOWHERE;
  }

  /** Whether one that begins then joins a run of the same key with room left, or meets none; and nobody else is in the way. */
  private mayEnter({ resource, amount, key }: Take, at: number, slots: number): boolean {
    const { capacity } = this.problem.resources[resource]!;
    const runs = this.taken.runs[resource]!;
    let end = at + slots;
    const own = runs.find((r) => r.start === at && r.key === key && key !== null);
    if (own) {
      if (own.amount + amount > capacity + 1e-9) return false;
      end = Math.max(end, own.end);
    }
    for (const r of runs) if (r !== own && r.end > at && r.start < end) return false;
    return true;
  }
}
