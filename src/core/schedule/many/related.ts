import type { Draft } from './draft';
import { Insertion, type Ask } from './insertion';
import { Occupancy, type Placement } from './occupancy';
import type { Problem } from './problem';

/** From when on a job uses each resource, by its number; people come last, as one more. */
type Uses = (number[] | undefined)[];

function usesOf({ jobs, resources }: Problem, i: number, p: Placement | null): Uses {
  const uses: Uses = new Array<undefined>(resources.length + 1).fill(undefined);
  const add = (resource: number, at: number) => void (uses[resource] ??= []).push(at);
  jobs[i]!.steps.forEach((s, k) => {
    if (!p) return;
    const at = p.starts[k]!;
    for (const { resource } of s.choices[p.choices[k]!]?.takes ?? []) add(resource, at);
    if (s.people > 0) add(resources.length, at);
    for (const v of s.visits) add(resources.length, at + v.from);
  });
  return uses;
}

const isKnown = (uses: Uses) => uses.some((u) => u !== undefined);

/** An hour apart is half as near as at once. */
const NEAR_SLOTS = 12;

/** How near two jobs are in what they use and when: the more, the sooner they change together. */
function nearness(one: Uses, other: Uses): number {
  let sum = 0;
  for (let r = 0; r < one.length; r += 1) {
    const [own, theirs] = [one[r], other[r]];
    if (!own || !theirs) continue;
    for (const a of own) {
      let gap = 1e4;
      for (const b of theirs) gap = Math.min(gap, Math.abs(a - b));
      sum += NEAR_SLOTS / (NEAR_SLOTS + gap);
    }
  }
  return sum;
}

/** How often a late one is taken first, and how often those in the way of where it would be if nobody else were there. */
const LATE = 0.6;
const WISHED = 0.7;
/** How many are taken out: from two on, so many more. */
const MORE = 6;
/** How often it is looked how many must go for a late one to find a place in time, and among how many. */
const MAKES_ROOM = 0.5;
const AMONG = 8;

/** Who changes: the first, and those near it, the nearest first; all of them, or so many that the first finds a place in time. */
export type Picked = { some: number[]; makesRoom: boolean };

/** Who changes together: one, late ones more often, and those that are near it, or in the way of where it would rather be. */
export class Related {
  private readonly free: Insertion;
  private readonly uses: Uses[];

  constructor(
    private readonly draft: Draft,
    private readonly movable: readonly number[],
    private readonly random: () => number,
  ) {
    const { problem } = draft;
    this.free = new Insertion(problem, new Occupancy(problem));
    this.uses = draft.placements.map((p, i) => usesOf(problem, i, p));
  }

  /** Some of them are elsewhere now. */
  note(some: readonly number[]): void {
    const { draft, uses } = this;
    for (const i of some) uses[i] = usesOf(draft.problem, i, draft.placements[i]!);
  }

  pick(): Picked {
    const { movable, random } = this;
    const late = movable.filter((i) => this.isLate(i));
    const from = late.length > 0 && random() < LATE ? late : movable;
    const first = from[Math.floor(random() * from.length)]!;
    const isLate = this.isLate(first);
    const makesRoom = isLate && random() < MAKES_ROOM;
    const size = makesRoom ? AMONG : 2 + Math.floor(random() * MORE);
    const wished = isLate && random() < WISHED;
    const own = wished ? this.wished(first, {}) : this.uses[first]!;
    return { some: [first, ...this.nearest(own, first, size - 1)], makesRoom };
  }

  /**
   * Who is in the way of where a job would be if nobody else were there, the nearest first.
   * @param ask what is asked of it there
   * @param weighs of each job: those that weigh less come sooner
   */
  inTheWayOf(first: number, ask: Ask, weighs: Float64Array): number[] {
    const placed = this.nearest(this.wished(first, ask), first, this.movable.length, weighs);
    return placed.filter((i) => this.draft.placements[i]).slice(0, AMONG);
  }

  private wished(first: number, ask: Ask): Uses {
    const { placement = null } = this.free.insert(first, { tie: this.random, ...ask }) ?? {};
    return usesOf(this.draft.problem, first, placement);
  }

  private nearest(own: Uses, first: number, size: number, weighs?: Float64Array): number[] {
    const { movable, random, uses } = this;
    const known = isKnown(own);
    const scored: { near: number; i: number }[] = [];
    for (const i of movable) {
      if (i === first) continue;
      const near = known && isKnown(uses[i]!) ? nearness(own, uses[i]!) : 1;
      const weight = weighs ? Math.sqrt(weighs[i]!) : 1;
      scored.push({ near: (near * (0.3 + random() * 2)) / weight, i });
    }
    scored.sort((a, b) => b.near - a.near);
    return scored.slice(0, size).map(({ i }) => i);
  }

  private isLate(i: number): boolean {
    return !this.draft.placements[i] || this.draft.costs[i]! > 0;
  }
}
