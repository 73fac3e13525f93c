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
  start: number;
  end: number;
  key: string | null;
  amount: number;
  members: Member[];
};
type Member = { job: number; step: number; end: number; amount: number };

/** What is taken of everything by those who have a place, and by every step that is fixed. */
export class Occupancy {
  /** People on duty who have nothing to do; below 0 where what is fixed asks for more than there are. */
  private readonly idle: Profile;
  /** When so many are idle, as last looked at. */
  private readonly idleWhen = new Map<number, { version: number; spans: SlotSpans }>();
  /** What is left of resources that add up. */
  private readonly left: (Profile | null)[];
  /** Runs by resource, by their start. */
  readonly runs: Run[][];

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
      this.idle.where(people, this.problem.slots, known.spans);
      known.version = this.idle.version;
    }
    return known.spans;
  }

  /** Into a set, when there is room for an amount of a resource that adds up, before `end`. */
  roomInto(out: SlotSpans, { resource, amount }: Take, end: number): void {
    this.left[resource]!.where(amount, end, out);
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
    const run = key === null ? undefined : runs.find((r) => r.start === start && r.key === key);
    if (run) {
      run.members.push(member);
      run.end = Math.max(run.end, member.end);
      run.amount += member.amount;
      return;
    }
    const after = runs.findIndex((r) => r.start > start);
    const { end, amount } = member;
    runs.splice(after < 0 ? runs.length : after, 0, { start, end, key, amount, members: [member] });
  }

  private leave({ resource }: Take, job: number, step: number): void {
    const runs = this.runs[resource]!;
    const at = runs.findIndex((r) => r.members.some((m) => m.job === job && m.step === step));
    const run = runs[at]!;
    run.members = run.members.filter((m) => m.job !== job || m.step !== step);
    if (run.members.length === 0) return void runs.splice(at, 1);
    run.end = Math.max(...run.members.map((m) => m.end));
    run.amount = run.members.reduce((sum, m) => sum + m.amount, 0);
  }
}
