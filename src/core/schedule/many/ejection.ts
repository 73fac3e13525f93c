import { shuffled } from '../../random';
import type { Alone } from './bounds';
import { Draft, isBetter, type Found } from './draft';
import type { Problem } from './problem';
import { Related } from './related';

/** How much more it weighs that a job has no place, each time it was tried in vain. */
const GROWS = 1;
/** The same where nobody near could make room for it. */
const GROWS_ALONE = 0.1;
/** With no more than so many without a place it is looked what the plan comes to if they go wherever they fit. */
const COMPLETES = 4;
/** The more, the less is left to chance in who goes back first. */
const EVEN = 0.5;
/** How often a job is put in wherever it was before, where there was a plan before. */
const LOOSE_AGAIN = 0.5;
/** More than any plan costs, s. */
export const NO_LIMIT = 1e15;

/**
 * Guided ejection search: every job that has a place costs no more than it may, and all together no more than they may; who
 * finds no such place has none. One of those is put in by taking out as many as it takes of who is in its way; they look for
 * another place, and who finds none has none instead, unless that weighs more. Who was tried in vain weighs more each time. So
 * it wanders from one plan in which few have no place to the next, until it comes upon one in which all have one.
 * @source ejection with weights that grow, as for vehicle routes with time windows: Nagata & Bräysy (2009)
 */
export class Ejection {
  /** The best plan that is known. */
  best: Found;
  /** The fewest that had no place since it began. */
  fewest = 0;
  /** What each may cost at most; whoever calls says so before it begins. */
  readonly most: Float64Array;
  private readonly draft: Draft;
  private readonly related: Related;
  private readonly least: Float64Array;
  private readonly weighs: Float64Array;
  /** Who could have a place, and has none now. */
  private without: number[] = [];
  /** How much more all may cost together than each may. */
  private slack = 0;

  /** @param able jobs that may be elsewhere, and could have a place at all */
  constructor(
    private readonly problem: Problem,
    begin: Found,
    private readonly able: readonly number[],
    alone: Alone,
    private readonly random: () => number,
  ) {
    this.best = begin;
    this.most = new Float64Array(problem.jobs.length);
    this.draft = new Draft(problem);
    this.draft.become(begin.placements, [...problem.jobs.keys()]);
    this.related = new Related(this.draft, able, random);
    this.least = Float64Array.from(alone, (one) => one?.cost ?? 0);
    this.weighs = new Float64Array(problem.jobs.length).fill(1);
  }

  get isDone(): boolean {
    return this.without.length === 0;
  }

  get placements(): Found['placements'] {
    return [...this.draft.placements];
  }

  /**
   * Begins with everybody who costs no more there than it may.
   * @param slack how much more all may cost together, s; who of those that cost more stays is left to chance
   */
  begin(placements: Found['placements'], slack = 0): void {
    const { draft, able, most, random } = this;
    this.slack = slack;
    draft.become(placements, able);
    const over = able.filter((i) => draft.costs[i]! > most[i]! + 1);
    for (const i of shuffled(over, random)) if (this.beyond() > slack) draft.out(i);
    this.fewest = able.length;
    this.goOn(able.filter((i) => !draft.placements[i]));
    this.related.note(able);
  }

  /** Puts one in that has no place, and takes out who is in its way. */
  round(): void {
    const { draft, related, weighs, random, without } = this;
    const first = without[Math.floor(random() * without.length)]!;
    const gone = this.makeRoom(first);
    if (!gone) {
      weighs[first]! += GROWS_ALONE;
      return;
    }
    const left = this.putBack(this.heavyFirst(gone), weighs[first]!);
    if (!left) {
      draft.undo([first, ...gone]);
      weighs[first]! += GROWS;
      return;
    }
    const others = without.filter((i) => i !== first);
    this.goOn([...others.filter((i) => !this.put(i)), ...left]);
    related.note([first, ...gone, ...others]);
  }

  private goOn(without: number[]): void {
    this.without = without;
    this.fewest = Math.min(this.fewest, without.length);
    this.draft.keep();
    this.complete();
  }

  /** Takes out one after the other of who is in its way, until a job has a place; @returns who, null where that is not enough */
  private makeRoom(first: number): number[] | null {
    const { draft, related, weighs } = this;
    const gone: number[] = [];
    for (const i of related.inTheWayOf(first, this.asked(first), weighs)) {
      draft.out(i);
      gone.push(i);
      if (this.put(first)) return gone;
    }
    draft.undo([first, ...gone]);
    return null;
  }

  /** Who weighs more goes back sooner, more or less: rather those that weigh little are left. */
  private heavyFirst(some: readonly number[]): number[] {
    const { random, weighs } = this;
    const scored = some.map((i) => ({ i, heavy: weighs[i]! * (EVEN + random()) }));
    return scored.sort((a, b) => b.heavy - a.heavy).map(({ i }) => i);
  }

  /** Puts them back in an order, once more with the first first that found no place; @returns who has none, null where that weighs more than it may */
  private putBack(order: number[], most: number): number[] | null {
    const left = this.tryOrder(order, most);
    if (left) return left;
    const failed = order.findIndex((i) => !this.draft.placements[i]);
    for (const i of order) this.draft.out(i);
    order.unshift(...order.splice(failed, 1));
    return this.tryOrder(order, most);
  }

  private tryOrder(order: readonly number[], most: number): number[] | null {
    const left: number[] = [];
    let weight = 0;
    for (const i of order) {
      if (this.put(i)) continue;
      left.push(i);
      weight += this.weighs[i]!;
      if (weight > most) return null;
    }
    return left;
  }

  /** @returns whether it has a place at which it costs no more than it may */
  private put(i: number): boolean {
    const { draft } = this;
    const ask = this.asked(i);
    draft.put(i, ask);
    if (draft.costs[i]! > ask.upTo) draft.out(i);
    return draft.placements[i] !== null;
  }

  private asked(i: number) {
    const { problem, random, most, slack } = this;
    const wasBefore = problem.jobs[i]!.steps.some((s) => s.before);
    const left = slack > 0 ? Math.max(0, slack - this.beyond()) : 0;
    return { tie: random, loose: !wasBefore || random() < LOOSE_AGAIN, upTo: most[i]! + left + 1 };
  }

  /** How much more those who have a place cost than each may. */
  private beyond(): number {
    const { draft, able, most } = this;
    let sum = 0;
    for (const i of able)
      if (draft.placements[i] && draft.costs[i]! > most[i]! + 1) sum += draft.costs[i]! - most[i]!;
    return sum;
  }

  /** What the plan comes to if those who have no place go wherever they fit. */
  private complete(): void {
    const { draft, least, random, without, best } = this;
    if (without.length > COMPLETES) return;
    const isFuller = best.missing > this.problem.jobs.length - this.able.length;
    let room = isFuller ? NO_LIMIT : best.cost;
    for (let i = 0; i < least.length; i += 1) room -= draft.costs[i]!;
    for (const i of without) room -= least[i]!;
    if (without.length > 0 && room < 1) return;
    for (const i of without) {
      draft.put(i, { tie: random, upTo: room + least[i]! });
      if (!draft.placements[i]) break;
      room -= draft.costs[i]! - least[i]!;
    }
    const { found } = draft;
    if (isBetter(found, best)) this.best = found;
    draft.undo(without);
  }
}
