import type { Occupancy } from './occupancy';
import type { Job, Problem, Step, Take } from './problem';
import { SlotSpans } from './slot-spans';
import { Starts, type Limit, type Without } from './starts';
import { Waiting } from './waiting';

/** What a batch is asked when it is put in, as far as it says where its steps may begin. */
export type Where = {
  /** Which choice of places is preferred, 0 to 1. */
  tie?: () => number;
  without?: Without;
  /** What is asked of its steps besides. */
  limits?: readonly Limit[];
};

/** What is known of one step while a batch is put in. */
type Stage = {
  starts: Starts;
  /** Where it would be in nobody's way, if that is only wished. */
  clear: Starts | null;
  /** What lies between it and the next. */
  waiting: Waiting;
  /** Starts that can be reached from the first step, and then those of them that lead on to an end that counts. */
  reach: SlotSpans;
};

const NOTHING: Without = {};
const NONE: readonly Limit[] = [];

/** The step from which it is looked for places, and the least that lies before its start and after it. */
type Pivot = { step: number; before: number; after: number };

/** The step that finds the least room: one that stays, or else that which takes the most of a place for the longest. */
function pivotOf({ steps }: Job, resources: Problem['resources']): Pivot {
  const share = ({ resource, amount }: Take) => {
    const { shared, capacity } = resources[resource]!;
    return shared === 'same_run' ? 1 : amount / Math.max(amount, capacity, 1e-9);
  };
  const takes = (s: Step) => s.choices.flatMap((c) => c.takes.map(share));
  const scarcity = steps.map((s) => (s.fixed ? Infinity : s.slots * Math.max(0, ...takes(s))));
  const step = scarcity.indexOf(Math.max(...scarcity));
  const sum = (some: readonly Step[]) => some.reduce((n, s) => n + s.slots, 0);
  return { step, before: sum(steps.slice(0, step)), after: sum(steps.slice(step)) };
}

/**
 * Where each step of one batch may begin in what is left of everything, so that the whole batch has a way through: spans of
 * slots, from which more and more is left out.
 */
export class Reach {
  readonly stages: Stage[] = [];
  private readonly pivots: Pivot[];
  /** Two to work with; the second changes places with what is reached of a step. */
  readonly some: SlotSpans;
  private spare: SlotSpans;

  constructor(
    private readonly problem: Problem,
    private readonly taken: Occupancy,
    others: Occupancy | undefined,
  ) {
    const { slots, jobs, resources } = problem;
    this.pivots = jobs.map((j) => pivotOf(j, resources));
    [this.some, this.spare] = [new SlotSpans(slots), new SlotSpans(slots)];
    const most = jobs.reduce((n, j) => Math.max(n, j.steps.length), 0);
    for (let k = 0; k < most; k += 1)
      this.stages.push({
        starts: new Starts(problem, taken),
        clear: others ? new Starts(problem, others) : null,
        waiting: new Waiting(slots),
        reach: new SlotSpans(slots),
      });
  }

  /**
   * Of each step, the starts that can be reached from the first. It begins with the one that finds the least room, looks for
   * the others only where that leaves something to find, and ends where nothing is left.
   * @param end no step ends after this slot
   */
  find(number: number, end: number, where: Where): boolean {
    const job = this.problem.jobs[number]!;
    const { step: pivot, before, after } = this.pivots[number]!;
    this.some.clear();
    if (job.steps[pivot]!.fixed) this.some.push(0, end);
    else this.some.push(job.release + before, end - after + 1);
    if (!this.findStep(job, pivot, end, where)) return false;
    for (let k = pivot - 1; k >= 0; k -= 1) {
      this.findWait(job, k, end, where);
      this.stages[k]!.waiting.before(this.stages[k + 1]!.reach, this.some);
      if (!this.findStep(job, k, end, where)) return false;
    }
    for (let k = 1; k <= pivot; k += 1) this.keepFollowing(k);
    for (let k = pivot + 1; k < job.steps.length; k += 1) {
      this.findWait(job, k - 1, end, where);
      this.follow(k);
      if (!this.findStep(job, k, end, where)) return false;
    }
    return true;
  }

  /** Keeps of what is reached of step k only what is in a set. */
  keepOf(k: number, set: SlotSpans): void {
    const stage = this.stages[k]!;
    const { reach } = stage;
    stage.reach = this.spare.meet(reach, set);
    this.spare = reach;
  }

  /** Keeps what follows on what is kept of the step before. */
  keepFollowing(k: number): void {
    this.follow(k);
    this.keepOf(k, this.some);
  }

  /** Keeps what leads on to what is kept of the last step. */
  keepLeadingOn({ steps }: Job): void {
    for (let k = steps.length - 2; k >= 0; k -= 1) {
      this.stages[k]!.waiting.before(this.stages[k + 1]!.reach, this.some);
      this.keepOf(k, this.some);
    }
  }

  ofLast({ steps }: Job): SlotSpans {
    return this.stages[steps.length - 1]!.reach;
  }

  /** Whether ways of one length differ: by runs that can be joined, or by who is in the way. */
  differs({ steps }: Job): boolean {
    return steps.some((_, k) => this.stages[k]!.starts.joinsAny || this.stages[k]!.clear !== null);
  }

  /** The one step that may join runs, where it is the only way in which ways of one length differ; or else -1. */
  onlyJoining({ steps }: Job): number {
    let only = -1;
    for (let k = 0; k < steps.length; k += 1) {
      const { starts, clear } = this.stages[k]!;
      if (clear || (starts.joinsAny && only >= 0)) return -1;
      if (starts.joinsAny) only = k;
    }
    return only;
  }

  private follow(k: number): void {
    const { waiting, reach } = this.stages[k - 1]!;
    waiting.after(reach, this.some);
  }

  /** Finds the starts of one step among those that are thought of. */
  private findStep(job: Job, k: number, end: number, where: Where): boolean {
    const { starts, clear, reach } = this.stages[k]!;
    const { tie, without = NOTHING, limits = NONE } = where;
    const sought = { without, limits, first: tie ? tie() : 0 };
    starts.find(job, k, this.some, end, sought);
    clear?.find(job, k, this.some, end, sought);
    reach.copy(starts.all);
    return reach.count > 0;
  }

  private findWait(job: Job, k: number, end: number, { without = NOTHING }: Where): void {
    this.stages[k]!.waiting.find(job.steps[k]!, job.steps[k + 1], this.taken, end, without);
  }
}
