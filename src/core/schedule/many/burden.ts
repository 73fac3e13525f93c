import type { Alone } from './bounds';
import type { Draft } from './draft';
import { SLOT_S } from './problem';

/** Rounds between two looks at who is late. */
const LOOKS = 50;
/** So many times more it weighs then, up to so much; and what is left of that at each look, once it is in time. */
const GROWS = 1.2;
const MOST = 5;
const FADES = 0.97;

/**
 * One figure of both aims, for what may stay a little worse for a while: s late by weight, and slots on the way.
 * @param cost weighted lateness, s · @param span slots from first start to last end
 */
export const worthOf = (cost: number, span: number) => cost + 0.05 * span * SLOT_S;

/**
 * How much it weighs in the search that a batch is later than it would be alone. Who stays late weighs more and more, until
 * somebody else gives way: so the search does not come back to the one plan in which the same one is late that weighs least.
 * What is the best plan is not said by this.
 * @source weights that grow at local optima: breakout local search
 */
export class Burden {
  /** While true, everything weighs what was asked. */
  asAsked = false;
  private readonly grown: Float64Array;
  private readonly least: Float64Array;

  constructor(
    private readonly draft: Draft,
    alone: Alone,
  ) {
    const { jobs } = draft.problem;
    this.grown = new Float64Array(jobs.length).fill(1);
    this.least = Float64Array.from(alone, (one) => one?.cost ?? 0);
  }

  /** Before each round: now and then it is looked who is late. */
  note(round: number): void {
    if (round % LOOKS !== 0) return;
    const { draft, grown, least } = this;
    for (let i = 0; i < grown.length; i += 1) {
      const isLate = draft.costs[i]! > least[i]! + 1;
      grown[i] = isLate ? Math.min(MOST, grown[i]! * GROWS) : 1 + (grown[i]! - 1) * FADES;
    }
  }

  /** What a cost of a job weighs. */
  of(i: number, cost: number): number {
    return this.asAsked ? cost : cost * this.grown[i]!;
  }

  /** The cost of a job that weighs so much. */
  costOf(i: number, burden: number): number {
    return this.asAsked ? burden : burden / this.grown[i]!;
  }

  /** What the plan is worth that is in the making. */
  get worth(): number {
    const { costs, spans } = this.draft;
    let [cost, span] = [0, 0];
    for (let i = 0; i < costs.length; i += 1) {
      cost += this.of(i, costs[i]!);
      span += spans[i]!;
    }
    return worthOf(cost, span);
  }
}
