import type { Alone } from './bounds';
import { Burden } from './burden';
import { Draft, isBetter, type Found } from './draft';
import type { Problem } from './problem';
import { Rebuild } from './rebuild';
import { Related } from './related';

/** Rounds until it is cold; then so many in which the best plan is made shorter; then it is warm again. */
const COOLS = 2000;
const COLD = 300;
export const CYCLE = COOLS + COLD;
/** After so many times it begins anew: what was not found by then is seldom found from there. */
export const CYCLES = 4;
/** When warm, so many seconds late weigh nothing much, for a batch of middling weight. */
const WARM_S = 10 * 3600;

/**
 * Large neighbourhood search: a few batches that are in each other's way are taken out and put back exactly, in one order
 * or another; what is no worse stays, and while it is warm something a little worse, so that it does not end at the first
 * hill. Worse is meant by what weighs on the search ({@link Burden}), the best plan by what was asked.
 * @source simulated annealing over destroy and repair
 */
export class Annealing {
  private readonly draft: Draft;
  private readonly related: Related;
  private readonly burden: Burden;
  private readonly rebuild: Rebuild;
  private readonly warmS: number;
  private round = 0;
  private cycles = 0;
  private now: Found;
  /** The best since it began anew. */
  private local: Found;

  constructor(
    problem: Problem,
    private readonly begin: Found,
    private readonly movable: readonly number[],
    alone: Alone,
    private readonly random: () => number,
  ) {
    const { jobs } = problem;
    this.draft = new Draft(problem);
    this.draft.become(begin.placements, [...jobs.keys()]);
    this.draft.keep();
    this.related = new Related(this.draft, movable, random);
    this.burden = new Burden(this.draft, alone);
    this.rebuild = new Rebuild(this.draft, alone, this.burden, random);
    this.warmS = (WARM_S * jobs.reduce((sum, j) => sum + j.weight, 0)) / jobs.length;
    [this.now, this.local] = [begin, begin];
  }

  /**
   * Warm and cold once, a round at a time.
   * @param from a plan to go on from, where somebody else has found a better one
   * @returns each time the best since it began anew
   */
  *cycle(from: Found | null): Generator<Found, void, void> {
    if (this.cycles > 0 && this.cycles % CYCLES === 0) this.local = this.begin;
    this.cycles += 1;
    if (from) this.local = from;
    if (from || this.local === this.begin) this.goOnFrom(this.local);
    for (let phase = 0; phase < CYCLE; phase += 1) {
      if (phase === COOLS) this.goOnFrom(this.local);
      this.round += 1;
      this.burden.note(this.round);
      this.change(phase < COOLS ? this.warmS * (1 - phase / COOLS) ** 2 : 0);
      if (isBetter(this.now, this.local)) this.local = this.now;
      yield this.local;
    }
  }

  /** Takes some out and puts them back, and keeps it if it is no worse, or not by more than the heat allows, s. */
  private change(heat: number): void {
    const { draft, related, burden, rebuild, now } = this;
    const isCold = heat === 0;
    burden.asAsked = isCold;
    const limit = burden.worth - heat * Math.log(1 - this.random());
    const most = isCold ? now.cost : -1;
    const bounds = { limit, most, missing: now.missing, isCold };
    const { some, isBack } = rebuild.change(related.pick(), bounds);
    const made = isBack ? draft.found : null;
    const isNear = made?.missing === now.missing && burden.worth <= limit;
    if (made && (isNear || made.missing < now.missing || (isCold && !isBetter(now, made)))) {
      this.now = made;
      draft.keep();
      related.note(some);
    } else draft.undo(some);
  }

  private goOnFrom(found: Found): void {
    if (found === this.now) return;
    this.draft.become(found.placements, this.movable);
    this.draft.keep();
    this.related.note(this.movable);
    this.now = found;
  }
}
