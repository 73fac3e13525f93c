import { shuffled } from '../../random';
import type { Alone } from './bounds';
import { worthOf, type Burden } from './burden';
import type { Draft } from './draft';
import type { Picked } from './related';

/** How often a batch is put in at any of its cheapest ends while warm: what is the shortest stands in others' way. */
const LOOSE = 0.8;
/** The same where there was a plan before. */
const LOOSE_AGAIN = 0.5;
/**
 * How often such a one goes any way there is, where there are few: what goes as late as it can may be what stands in others'
 * way. Among many it costs more rounds than it gives back.
 */
const ANYHOW = 0.3;
const FEW = 8;
/** How often those that were taken out go back by their ready-by, and how often the last first. Chosen on seeded smokehouses. */
const BY_DUE = 0.1;
const REVERSED = 0.3;

/**
 * What the plan may be worth at most; what costs no more than `most` may be worth more; and how many there are without a place.
 */
export type Bounds = { limit: number; most: number; missing: number; isCold: boolean };
/** Who was taken out, and whether they are back: not, once it is sure that the plan is beyond its bounds. */
export type Changed = { some: readonly number[]; isBack: boolean };

/** Takes some batches out of a plan and puts them back, each exactly. */
export class Rebuild {
  constructor(
    private readonly draft: Draft,
    private readonly alone: Alone,
    private readonly burden: Burden,
    private readonly random: () => number,
  ) {}

  /** Takes out who was picked, or as many of them as the first needs to be in time, and puts them back. */
  change({ some, makesRoom }: Picked, bounds: Bounds): Changed {
    if (makesRoom) return this.makeRoom(some, bounds);
    for (const i of some) this.draft.out(i);
    return { some, isBack: this.inOrder(this.mixed(some), bounds) };
  }

  /** Takes out one after the other until the first finds a place in time, and puts the others back. */
  private makeRoom(some: readonly number[], bounds: Bounds): Changed {
    const { draft } = this;
    const first = some[0]!;
    draft.out(first);
    for (let k = 1; k < some.length; k += 1) {
      draft.out(some[k]!);
      this.put(first, bounds, this.leastCost(first) + 1);
      if (!draft.placements[first]) continue;
      const others = shuffled(some.slice(1, k + 1), this.random);
      return { some: some.slice(0, k + 1), isBack: this.inOrder(others, bounds) };
    }
    return { some, isBack: this.inOrder(this.mixed(some), bounds) };
  }

  /** Puts them back in an order; if one does not go in, once more with that one first. */
  private inOrder(order: number[], bounds: Bounds): boolean {
    const failed = this.tryOrder(order, bounds);
    if (failed < 0) return true;
    if (failed === 0) return false;
    for (let k = 0; k <= failed; k += 1) this.draft.out(order[k]!);
    order.unshift(...order.splice(failed, 1));
    return this.tryOrder(order, bounds) < 0;
  }

  /** @returns which of them did not go in, -1 where all did */
  private tryOrder(order: readonly number[], bounds: Bounds): number {
    const { draft, burden } = this;
    let worth = burden.worth;
    let cost = 0;
    for (let i = 0; i < draft.costs.length; i += 1) cost += draft.costs[i]!;
    for (const i of order) {
      worth += this.leastWorth(i);
      cost += this.leastCost(i);
    }
    for (let k = 0; k < order.length; k += 1) {
      const i = order[k]!;
      const room = bounds.limit - worth + burden.of(i, this.leastCost(i));
      worth -= this.leastWorth(i);
      cost -= this.leastCost(i);
      this.put(i, bounds, Math.max(burden.costOf(i, room), bounds.most - cost) + 1);
      if (bounds.missing > 0) continue;
      if (!draft.placements[i]) return k;
      worth += worthOf(burden.of(i, draft.costs[i]!), draft.spans[i]!);
      cost += draft.costs[i]!;
      if (worth > bounds.limit + 1 && cost > bounds.most + 1) return k;
    }
    return -1;
  }

  private put(i: number, { missing, isCold }: Bounds, upTo: number): void {
    const { draft, random } = this;
    const { jobs } = draft.problem;
    const loosely = jobs[i]!.steps.some((s) => s.before) ? LOOSE_AGAIN : LOOSE;
    const loose = !isCold && random() < loosely;
    const anyhow = loose && jobs.length <= FEW && random() < ANYHOW;
    draft.put(i, { tie: random, loose, anyhow, ...(missing === 0 ? { upTo } : {}) });
  }

  private leastCost(i: number): number {
    return this.alone[i]?.cost ?? 0;
  }

  private leastWorth(i: number): number {
    return worthOf(this.burden.of(i, this.leastCost(i)), this.alone[i]?.spanSlots ?? 0);
  }

  private mixed(some: readonly number[]): number[] {
    const { random } = this;
    const { jobs } = this.draft.problem;
    const order = [...some];
    if (random() < BY_DUE) order.sort((a, b) => jobs[a]!.due - jobs[b]!.due);
    if (random() < REVERSED) order.reverse();
    return order;
  }
}
