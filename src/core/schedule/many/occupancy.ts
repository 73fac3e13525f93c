import type { Problem, Take } from './problem';

/** Where each step of a job is: its first slot, and which of its choices. */
export type Placement = { starts: Int32Array; choices: Int32Array };

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
  /** People on duty who have nothing to do, by slot; below 0 where what is fixed asks for more than there are. */
  readonly idle: Int32Array;
  /** Amounts by slot, of resources that add up. */
  readonly sums: Float64Array[];
  /** Runs by resource, in no order. */
  readonly runs: Run[][];

  constructor(readonly problem: Problem) {
    const { slots, resources } = problem;
    this.idle = problem.people.slice();
    this.sums = resources.map((r) => new Float64Array(r.shared === 'sum' ? slots : 0));
    this.runs = resources.map(() => []);
    problem.jobs.forEach(({ steps }, job) =>
      steps.forEach(({ fixed }, i) => fixed && this.change(job, i, fixed.slot, fixed.choice, 1)),
    );
  }

  /** Takes what the steps of a job need, but for those that are fixed: they are there from the beginning. */
  place(job: number, at: Placement): void {
    this.problem.jobs[job]!.steps.forEach((s, i) => {
      if (!s.fixed) this.change(job, i, at.starts[i]!, at.choices[i]!, 1);
    });
  }

  remove(job: number, at: Placement): void {
    this.problem.jobs[job]!.steps.forEach((s, i) => {
      if (!s.fixed) this.change(job, i, at.starts[i]!, at.choices[i]!, -1);
    });
  }

  private change(job: number, i: number, start: number, choice: number, sign: 1 | -1): void {
    const step = this.problem.jobs[job]!.steps[i]!;
    const [from, to] = [Math.max(0, start), Math.min(this.problem.slots, start + step.slots)];
    for (let t = from; t < to; t += 1) this.idle[t]! -= sign * step.people;
    for (const v of step.visits)
      for (
        let t = Math.max(0, start + v.from);
        t < Math.min(this.problem.slots, start + v.to);
        t += 1
      )
        this.idle[t]! -= sign * v.people;
    for (const take of step.choices[choice]?.takes ?? []) {
      const sum = this.sums[take.resource]!;
      if (this.problem.resources[take.resource]!.shared === 'sum')
        for (let t = from; t < to; t += 1) sum[t]! += sign * take.amount;
      else if (sign > 0)
        this.enter(take, start, { job, step: i, end: start + step.slots, amount: take.amount });
      else this.leave(take, job, i);
    }
  }

  private enter({ resource, key }: Take, start: number, member: Member): void {
    const runs = this.runs[resource]!;
    const run = key === null ? undefined : runs.find((r) => r.start === start && r.key === key);
    if (!run)
      return void runs.push({
        start,
        end: member.end,
        key,
        amount: member.amount,
        members: [member],
      });
    run.members.push(member);
    run.end = Math.max(run.end, member.end);
    run.amount += member.amount;
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
