import type { Alone } from './bounds';
import { Insertion, type Ask } from './insertion';
import { Occupancy, type Placement } from './occupancy';
import { SLOT_S, type Problem } from './problem';

/** A plan: where each job is, null where it has no place, and what it comes to. */
export type Found = {
  placements: (Placement | null)[];
  cost: number;
  span: number;
  /** Runs of places that take one at a time. */
  fires: number;
  missing: number;
};

const EPS = 1e-6;
/** Fewer without a place first, then less lateness, then less time on the way, then fewer fires. */
export const isBetter = (a: Found, b: Found): boolean =>
  a.missing !== b.missing
    ? a.missing < b.missing
    : Math.abs(a.cost - b.cost) > EPS
      ? a.cost < b.cost
      : Math.abs(a.span - b.span) > EPS
        ? a.span < b.span
        : a.fires < b.fires;

const endOf = (problem: Problem, i: number, p: Placement) =>
  p.starts.at(-1)! + problem.jobs[i]!.steps.at(-1)!.slots;

/** How long after ready-by a job ends, s. */
export const latenessOf = (problem: Problem, i: number, p: Placement): number =>
  Math.max(0, endOf(problem, i, p) - problem.jobs[i]!.due) * SLOT_S;

/** Steps that are elsewhere than in the plan before. */
export const movesOf = (problem: Problem, i: number, p: Placement): number =>
  problem.jobs[i]!.steps.filter(
    ({ before }, k) => before && (before.slot !== p.starts[k] || before.choice !== p.choices[k]),
  ).length;

/** What one placement costs: weighted lateness, and what its moved steps weigh, s. */
const costOf = (problem: Problem, i: number, p: Placement): number =>
  latenessOf(problem, i, p) * problem.jobs[i]!.weight + movesOf(problem, i, p) * problem.moveCostS;

/** A plan in the making: who is placed, and what is left of everything. */
class Draft {
  readonly taken: Occupancy;
  readonly insertion: Insertion;
  placements: (Placement | null)[];

  constructor(readonly problem: Problem) {
    this.taken = new Occupancy(problem);
    this.insertion = new Insertion(problem, this.taken);
    this.placements = problem.jobs.map(() => null);
  }

  put(i: number, ask: Ask): void {
    const found = this.insertion.insert(i, ask)?.placement ?? null;
    this.placements[i] = found;
    if (found) this.taken.place(i, found);
  }

  out(i: number): void {
    const p = this.placements[i];
    if (p) this.taken.remove(i, p);
    this.placements[i] = null;
  }

  become(placements: readonly (Placement | null)[], which: readonly number[]): void {
    for (const i of which) this.out(i);
    for (const i of which) {
      const p = placements[i]!;
      this.placements[i] = p;
      if (p) this.taken.place(i, p);
    }
  }

  get found(): Found {
    const { problem, placements } = this;
    let [cost, span, missing] = [0, 0, 0];
    placements.forEach((p, i) => {
      if (!p) return void (missing += 1);
      cost += costOf(problem, i, p);
      span += endOf(problem, i, p) - p.starts[0]!;
    });
    const fires = this.taken.runs.reduce((sum, runs) => sum + runs.length, 0);
    return { placements: [...placements], cost, span, fires, missing };
  }
}

/** Puts the batches in one after the other, in an order. */
export function inOrder(problem: Problem, order: readonly number[], ask: Ask = {}): Found {
  const draft = new Draft(problem);
  for (const i of order) draft.put(i, ask);
  return draft.found;
}

/** Orders to begin with: who is due first; who has least to spare; who weighs most for each hour. */
export function firstOrders(problem: Problem, alone: Alone): number[][] {
  const { jobs } = problem;
  const length = (i: number) => jobs[i]!.steps.reduce((sum, s) => sum + s.slots, 0);
  const slack = (i: number) => {
    const one = alone[i];
    return jobs[i]!.due - (one ? endOf(problem, i, one.placement) : Infinity);
  };
  const by = (key: (i: number) => number) =>
    jobs.map((_, i) => i).sort((a, b) => key(a) - key(b) || a - b);
  return [
    by((i) => jobs[i]!.due),
    by(slack),
    by((i) => jobs[i]!.due - length(i)),
    by((i) => -jobs[i]!.weight / Math.max(1, length(i))),
  ];
}

/** How near two placements are in what they use and when: the more, the sooner they change together. */
function nearness(problem: Problem, a: number, p: Placement, b: number, q: Placement): number {
  const usesOf = (i: number, at: Placement) =>
    problem.jobs[i]!.steps.flatMap((s, k) =>
      (s.choices[at.choices[k]!]?.takes ?? []).map((t) => [t.resource, at.starts[k]!] as const),
    );
  const theirs = usesOf(b, q);
  return usesOf(a, p).reduce((sum, [r, t]) => {
    const gap = Math.min(...theirs.filter(([x]) => x === r).map(([, u]) => Math.abs(u - t)), 1e4);
    return sum + 1 / (1 + gap / 12);
  }, 0);
}

/** Batches to take out together: one, late ones more often, and those nearest to it. */
function related(problem: Problem, at: Found, movable: readonly number[], random: () => number) {
  const late = movable.filter((i) => {
    const p = at.placements[i];
    return !p || costOf(problem, i, p) > 0;
  });
  const from = late.length > 0 && random() < 0.6 ? late : movable;
  const seed = from[Math.floor(random() * from.length)]!;
  const size = Math.min(movable.length, 2 + Math.floor(random() * 8));
  const p = at.placements[seed];
  const scored = movable
    .filter((i) => i !== seed)
    .map((i) => {
      const q = at.placements[i];
      const near = p && q ? nearness(problem, seed, p, i, q) : 1;
      return [near * (0.3 + random() * 2), i] as const;
    })
    .sort((a, b) => b[0] - a[0]);
  return [seed, ...scored.slice(0, size - 1).map(([, i]) => i)];
}

/** So much worse may be kept at most, and after so many rounds it is warm again. Chosen on seeded smokehouses of thirty batches. */
const HEAT = 0.12;
const COOLS = 150;

/** One figure of both aims, for what may stay a little worse for a while. */
const worth = (f: Found) => f.cost + 0.05 * f.span * SLOT_S;

/** Where a search stands: the round that comes next, and the best plan so far. */
export type Stand = { round: number; best: Found };

/**
 * Large neighbourhood search: a few batches that are in each other's way are taken out and put back exactly, in one order
 * or another; what is no worse stays, and now and then something a little worse, so that it does not end at the first hill.
 * It tells where it stands before each round, and goes on for as long as it is asked to.
 */
export function* search(
  problem: Problem,
  begin: Found,
  random: () => number,
): Generator<Stand, void, void> {
  const movable = problem.jobs.flatMap((j, i) => (j.steps.every((s) => s.fixed) ? [] : [i]));
  if (movable.length === 0) return;
  const draft = new Draft(problem);
  draft.become(begin.placements, [...problem.jobs.keys()]);
  let [now, best] = [begin, begin];
  for (let round = 1; ; round += 1) {
    yield { round, best };
    const some = related(problem, now, movable, random);
    for (const i of some) draft.out(i);
    const order =
      random() < 0.5 ? some : [...some].sort((a, b) => problem.jobs[a]!.due - problem.jobs[b]!.due);
    if (random() < 0.3) order.reverse();
    for (const i of order) draft.put(i, { tie: random });
    const made = draft.found;
    const heat = HEAT * Math.max(0, 1 - (round % COOLS) / (0.67 * COOLS));
    const near = made.missing === now.missing && worth(made) <= worth(now) * (1 + heat * random());
    if (!isBetter(now, made) || near) now = made;
    else draft.become(now.placements, some);
    if (isBetter(now, best)) best = now;
  }
}
