import type { Alone } from './bounds';
import { conflictIn, type Conflict, type Party } from './conflicts';
import { isBetter, type Found } from './draft';
import { Insertion } from './insertion';
import { Occupancy, type Placement } from './occupancy';
import type { Problem, Step } from './problem';
import type { Limit } from './starts';

/** Two that are one run, wherever they begin. */
type Pair = { resource: number; a: Party; b: Party };
/** A part of all plans: what is asked of each job, and the best each can do then, as if the others were not there. */
type Part = {
  limits: readonly (readonly Limit[])[];
  pairs: readonly Pair[];
  placements: readonly Placement[];
  costs: readonly number[];
  spans: readonly number[];
  cost: number;
  span: number;
};

/** With more jobs it comes to no end. */
const MOST_JOBS = 12;
/** So many parts are looked at, and no more: what has not come to an end then does not in the time there is. */
const MOST_PARTS = 200_000;
/** A slot after all others. */
const LATEST = 1e9;
const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);
const samePair = (p: Pair, { resource, parties }: Conflict) =>
  parties.length === 2 &&
  p.resource === resource &&
  isSame(p.a, parties[0]!) &&
  isSame(p.b, parties[1]!);
/** Whether what a step takes of one resource depends on what it takes of others: then limits would ask too much. */
const takesVary = ({ choices }: Step) => {
  const takes = choices.flatMap((c) => c.takes);
  return takes.some((a) =>
    takes.some((b) => a.resource === b.resource && (a.amount !== b.amount || a.key !== b.key)),
  );
};
const isSame = (a: Party, b: Party) => a.job === b.job && a.step === b.step;

/** Ways to part what there is where a conflict is, so that no plan without it is lost: limits for some of the jobs each. */
type Way = { asked: [Party, Limit][]; pair?: Pair };
function waysOut(conflict: Conflict, known: readonly Pair[]): Way[] {
  const { resource, slot, parties } = conflict;
  const [a, b] = parties as [Party, Party];
  const within = (from: number, to: number): Way => ({
    asked: [a, b].map((p) => [p, { kind: 'in', step: p.step, resource: resource!, from, to }]),
  });
  if (a.start !== b.start && known.some((p) => samePair(p, conflict))) {
    /* They are one run: it begins until the earlier of the two starts, or after that, as late as it could before. */
    const until = Math.min(a.start, b.start);
    return [within(0, until), within(until + 1, LATEST)];
  }
  const limit = (kind: 'covers' | 'avoids', p: Party): [Party, Limit] => [
    p,
    { kind, step: p.step, slot, resource, amount: p.amount },
  ];
  /* The first of them that keeps out: those before it do not. So no plan is in two parts. */
  const apart = parties.map((p, i): Way => ({
    asked: [...parties.slice(0, i).map((q) => limit('covers', q)), limit('avoids', p)],
  }));
  if (!conflict.couldJoin || resource === null) return apart;
  const from = slot + 1 - Math.min(a.end - a.start, b.end - b.start);
  return [{ ...within(Math.max(0, from), slot), pair: { resource, a, b } }, ...apart];
}

/**
 * Shows that no plan is better than one that is known, or finds one that is. Everybody is placed as if nobody else were
 * there, which none can do better than; where two are in each other's way then, all plans fall into those in which one of
 * them keeps out of there, those in which the other does, and those in which they are one run, each with a bound of its own.
 * Parts that cannot be better than what is known are left out. For few jobs: it looks at more and more parts.
 * @param known the best plan so far, as whoever else searches knows it
 * @returns whether it came to the end: then what is known is the best there is
 * @source conflict-based branch and bound
 */
export class Proof {
  private readonly open: Part[] = [];
  private readonly taken: Occupancy;
  private readonly insertion: Insertion;
  /** Parts that were looked at. */
  looked = 0;

  /** None where there are too many jobs, one has no place, or where they were before counts too, or a wait takes room. */
  static of(problem: Problem, alone: Alone): Proof | null {
    const { jobs } = problem;
    const isOdd = jobs.some((j) => j.steps.some((s) => s.before || s.waiting || takesVary(s)));
    if (jobs.length > MOST_JOBS || isOdd || alone.some((a) => !a)) return null;
    return new Proof(problem, alone);
  }

  private constructor(
    private readonly problem: Problem,
    alone: Alone,
  ) {
    this.taken = new Occupancy(problem);
    this.insertion = new Insertion(problem, new Occupancy(problem), this.taken);
    const costs = alone.map((a) => a!.cost);
    const spans = alone.map((a) => a!.spanSlots);
    this.open.push({
      limits: problem.jobs.map(() => []),
      pairs: [],
      placements: alone.map((a) => a!.placement),
      costs,
      spans,
      cost: sum(costs),
      span: sum(spans),
    });
  }

  /** Whether all parts were looked at. */
  get isDone(): boolean {
    return this.open.length === 0;
  }
  /** Whether there is more to look at, and it is worth it. */
  get goesOn(): boolean {
    return this.open.length > 0 && this.looked < MOST_PARTS;
  }

  /** Nothing costs less than this, s, as far as is known: what is known, or the least of what is open. */
  leastCost(known: Found): number {
    return this.open.reduce((least, p) => Math.min(least, p.cost), known.cost);
  }

  /** Looks at one part; @returns a plan that is better than the one that is known, if it has come upon one */
  look(known: Found): Found | null {
    const part = this.open.pop()!;
    if (!this.isWorthy(part, known)) return null;
    this.looked += 1;
    const { taken, problem } = this;
    part.placements.forEach((p, i) => taken.place(i, p));
    const conflict = conflictIn(problem, part.placements, taken);
    const fires = taken.runs.reduce((n, runs) => n + runs.length, 0);
    const parts = conflict
      ? waysOut(conflict, part.pairs).flatMap((way) => this.narrow(part, way) ?? [])
      : [];
    part.placements.forEach((p, i) => taken.remove(i, p));
    /* The most promising is looked at next. */
    parts.sort((a, b) => b.cost - a.cost || b.span - a.span);
    this.open.push(...parts.filter((p) => this.isWorthy(p, known)));
    const { cost, span } = part;
    return conflict ? null : { placements: [...part.placements], cost, span, fires, missing: 0 };
  }

  private isWorthy({ cost, span }: Part, known: Found): boolean {
    return isBetter({ placements: [], cost, span, fires: known.fires, missing: 0 }, known);
  }

  /** A part with more asked of some of its jobs; null where one of them has no place then. */
  private narrow(part: Part, { asked, pair }: Way): Part | null {
    const [limits, placements] = [[...part.limits], [...part.placements]];
    const [costs, spans] = [[...part.costs], [...part.spans]];
    for (const [{ job }, limit] of asked) limits[job] = [...limits[job]!, limit];
    const jobs = [...new Set(asked.map(([p]) => p.job))];
    const isPossible = jobs.every((job) => {
      this.taken.remove(job, placements[job]!);
      const found = this.insertion.insert(job, { limits: limits[job] });
      if (found) {
        placements[job] = found.placement;
        costs[job] = found.cost;
        spans[job] = found.spanSlots;
      }
      this.taken.place(job, placements[job]!);
      return found !== null;
    });
    for (const job of jobs) {
      this.taken.remove(job, placements[job]!);
      this.taken.place(job, part.placements[job]!);
    }
    if (!isPossible) return null;
    const pairs = pair ? [...part.pairs, pair] : part.pairs;
    return { limits, pairs, placements, costs, spans, cost: sum(costs), span: sum(spans) };
  }
}
