import { Profile, type Overdrawn } from './profile';
import { takesRoom, type Problem, type Step, type Take } from './problem';
import { SlotSpans } from './slot-spans';

/**
 * Where each step of a job is: its first slot, and which of its choices; and which of its places it waits in until the next,
 * -1 where that takes none.
 */
export type Placement = { starts: Int32Array; choices: Int32Array; holds: Int32Array };

/** Those who hang together in a resource that takes one run at a time. */
export type Run = {
  readonly start: number;
  readonly end: number;
  readonly key: string | null;
  readonly amount: number;
  readonly members: readonly Member[];
};
type Member = { job: number; step: number; end: number; amount: number };

const runOf = (members: readonly Member[], start: number, key: string | null): Run => ({
  start,
  end: Math.max(...members.map((m) => m.end)),
  key,
  amount: members.reduce((sum, m) => sum + m.amount, 0),
  members,
});

/** The same runs with so many of them replaced, from one on. */
function replaced(runs: readonly Run[], at: number, count: number, ...by: Run[]): readonly Run[] {
  const next = runs.slice();
  next.splice(at, count, ...by);
  return next;
}

/** What is taken of everything by those who have a place, and by every step that is fixed. */
export class Occupancy {
  /** People on duty who have nothing to do; below 0 where what is fixed asks for more than there are. */
  private readonly idle: Profile;
  /** When so many are idle, as last looked at. */
  private readonly idleWhen = new Map<number, { version: number; spans: SlotSpans }>();
  /** What is left of resources that add up. */
  private readonly left: (Profile | null)[];
  /** Runs by resource, by their start. What is in it is never changed, only replaced. */
  readonly runs: (readonly Run[])[];
  private keptRuns: (readonly Run[])[] = [];

  constructor(readonly problem: Problem) {
    const { slots, resources } = problem;
    this.idle = new Profile(problem.people);
    this.left = resources.map((r) =>
      r.shared === 'sum' ? new Profile(new Float64Array(slots).fill(r.capacity)) : null,
    );
    this.runs = resources.map(() => []);
    problem.jobs.forEach(({ steps }, job) =>
      steps.forEach(({ fixed }, i) => {
        if (!fixed) return;
        this.change(job, i, fixed.slot, fixed.choice, 1);
        const next = steps[i + 1]?.fixed;
        if (next && takesRoom(steps[i]!, fixed.slot, next.slot))
          this.hold(steps[i]!, fixed.slot, next.slot, fixed.hold, 1);
      }),
    );
  }

  /** Remembers what is taken now, to which `undo` goes back. */
  keep(): void {
    this.idle.keep();
    for (const left of this.left) left?.keep();
    for (let r = 0; r < this.runs.length; r += 1) this.keptRuns[r] = this.runs[r]!;
  }

  undo(): void {
    this.idle.undo();
    for (const left of this.left) left?.undo();
    for (let r = 0; r < this.runs.length; r += 1) this.runs[r] = this.keptRuns[r]!;
  }

  /** Takes what the steps of a job need, but for those that are fixed: they are there from the beginning. */
  place(job: number, at: Placement): void {
    this.changeAll(job, at, 1);
  }

  remove(job: number, at: Placement): void {
    this.changeAll(job, at, -1);
  }

  private changeAll(job: number, { starts, choices, holds }: Placement, sign: 1 | -1): void {
    const { steps } = this.problem.jobs[job]!;
    for (let i = 0; i < steps.length; i += 1) {
      const step = steps[i]!;
      if (!step.fixed) this.change(job, i, starts[i]!, choices[i]!, sign);
      const isStaying = step.fixed && steps[i + 1]?.fixed;
      if (holds[i]! >= 0 && !isStaying)
        this.hold(step, starts[i]!, starts[i + 1]!, holds[i]!, sign);
    }
  }

  /** What a step waits in until the next. */
  private hold(step: Step, start: number, next: number, which: number, sign: 1 | -1): void {
    const { resource, amount } = step.waiting!.takes[which]!;
    this.left[resource]!.take(start + step.slots, next, sign * amount);
  }

  /** When at least so many are idle. */
  idleSpans(people: number): SlotSpans {
    let known = this.idleWhen.get(people);
    if (!known) {
      known = { version: -1, spans: new SlotSpans(this.problem.slots) };
      this.idleWhen.set(people, known);
    }
    if (known.version !== this.idle.version) {
      this.idle.where(people, 0, this.problem.slots, known.spans);
      known.version = this.idle.version;
    }
    return known.spans;
  }

  /** Into a set, when there is room for an amount of a resource that adds up, in [from, end). */
  roomInto(out: SlotSpans, { resource, amount }: Take, from: number, end: number): void {
    this.left[resource]!.where(amount, from, end, out);
  }

  /** Where more people (null), or more of a resource that adds up, are taken than there are. */
  overdrawn(resource: number | null): Overdrawn[] {
    return (resource === null ? this.idle : this.left[resource])?.overdrawn() ?? [];
  }

  private change(job: number, i: number, start: number, choice: number, sign: 1 | -1): void {
    const step = this.problem.jobs[job]!.steps[i]!;
    const end = start + step.slots;
    this.idle.take(start, end, sign * step.people);
    for (const v of step.visits) this.idle.take(start + v.from, start + v.to, sign * v.people);
    for (const take of step.choices[choice]?.takes ?? []) {
      const left = this.left[take.resource];
      if (left) left.take(start, end, sign * take.amount);
      else if (sign > 0) this.enter(take, start, { job, step: i, end, amount: take.amount });
      else this.leave(take, job, i);
    }
  }

  private enter({ resource, key }: Take, start: number, member: Member): void {
    const runs = this.runs[resource]!;
    let at = 0;
    while (at < runs.length && runs[at]!.start < start) at += 1;
    for (let i = at; key !== null && i < runs.length && runs[i]!.start === start; i += 1)
      if (runs[i]!.key === key) {
        const members = [...runs[i]!.members, member];
        this.runs[resource] = replaced(runs, i, 1, runOf(members, start, key));
        return;
      }
    while (at < runs.length && runs[at]!.start === start) at += 1;
    this.runs[resource] = replaced(runs, at, 0, runOf([member], start, key));
  }

  private leave({ resource }: Take, job: number, step: number): void {
    const runs = this.runs[resource]!;
    const is = (m: Member) => m.job === job && m.step === step;
    const at = runs.findIndex((r) => r.members.some(is));
    const { members, start, key } = runs[at]!;
    const left = members.filter((m) => !is(m));
    const run = left.length > 0 ? [runOf(left, start, key)] : [];
    this.runs[resource] = replaced(runs, at, 1, ...run);
  }
}
