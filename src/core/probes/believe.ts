import type { Reading } from '../lethality/reading';
import { stepOf } from './stuck';
import { Bounds, type Answer, type Surrounding } from './bounds';

/** Which direction would help the verdict at a time: up while it cooks, down while it chills. */
export type Helps = 'up' | 'down';

export type BelieveInput = {
  /** In time order, s and °C. */
  readings: readonly Reading[];
  answer: Answer;
  around: (tS: number) => Surrounding;
  helpsAt: (tS: number) => Helps;
  /** What the core can be when the log begins. */
  start: Bounds;
  /** Ceiling and floor of the core from the two runs of the model; none where left out. */
  ceilingC?: (tS: number) => number;
  floorC?: (tS: number) => number;
  /** What two readings may differ by; see {@link slackOf}. */
  slackC: number;
  /** Steepest step by the site's rule where the surroundings are air, °C per minute. */
  maxCPerMin?: (tS: number) => number;
};

/** Why a reading is not believed. `replaced`: a later, less helpful log contradicts it. */
export type Disbelief = 'too_high' | 'too_low' | 'replaced';

export type Belief = {
  /** Of each reading: null when it is believed. */
  why: (Disbelief | null)[];
  /** What can be when the log ends: where the next log of the same piece has to begin. */
  end: Bounds;
};

/** What two readings of one core may differ by for noise, rounding and the probe's place, °C: at least and at most. */
const SLACK_C = { least: 1.5, most: 3.5, base: 0.8, noises: 6 } as const;
/** Too few readings to tell a log's noise by. */
const FEW = 24;

/**
 * What two readings of one core may differ by, °C: the log's own rounding and noise, within limits, so that a
 * noisy log is not believed more widely than the noisiest logger that is fit for the work.
 */
export function slackOf(readings: readonly Reading[]): number {
  if (readings.length < FEW) return 2.5;
  const step = stepOf(readings) ?? 0;
  const seconds: number[] = [];
  const every = Math.max(1, Math.floor(readings.length / 4000));
  for (let i = 2; i < readings.length; i += every)
    seconds.push(
      Math.abs(readings[i]!.tempC - 2 * readings[i - 1]!.tempC + readings[i - 2]!.tempC),
    );
  seconds.sort((a, b) => a - b);
  /* Median of |N(0, 6·σ²)| is 0.6745·√6·σ; rounding alone shows as zeros, so its step is added. */
  const noise = seconds[Math.floor(seconds.length / 2)]! / (0.6745 * Math.sqrt(6));
  const { least, most, base, noises } = SLACK_C;
  return Math.min(most, Math.max(least, base + Math.min(step, 1) + noises * noise));
}
/** A log that comes back is believed again when it holds for this long and two readings, s. */
const AGAIN_S = 300;
/** A fault that lasts no longer than this is a drop-out, s. */
const DROP_OUT_S = 600;
/** No core is ever hotter or colder than this, whatever it hurts: such figures are faults, °C. */
const FAULT_C = { low: -30, high: 100 };
/** Surroundings are asked for at least this often within a silence, s. */
const CARRY_S = 300;
const MOST_CARRIES = 200;

const coldFilm = (s: Surrounding) => s.coldFilmWm2K ?? s.filmWm2K;

/** Can the core get from one reading to the next? Neither noise nor a quick step decides; physics does. */
export function continuous(i: BelieveInput, a: Reading, b: Reading): boolean {
  const change = b.tempC - a.tempC;
  if (change <= i.slackC && change >= -i.slackC) return true;
  const dtS = b.tS - a.tS;
  if (dtS <= 0) return false;
  const now = i.around(b.tS);
  const then = dtS > CARRY_S ? i.around(a.tS) : now;
  if (change > 0) {
    const hotC = Math.max(now.hotC, then.hotC);
    const film = Math.max(now.filmWm2K, then.filmWm2K);
    const most = ((i.maxCPerMin?.(b.tS) ?? Infinity) * Math.max(dtS, 30)) / 60;
    const up = Math.max(0, hotC - a.tempC) * -Math.expm1(-dtS * i.answer.fastest(film));
    return change <= Math.min(most, up) + i.slackC;
  }
  const coldC = Math.min(now.coldC, then.coldC);
  const film = Math.max(coldFilm(now), coldFilm(then));
  const down = Math.max(0, a.tempC - coldC) * -Math.expm1(-dtS * i.answer.fastest(film));
  return -change <= down + i.slackC;
}

class Walk {
  private readonly why: (Disbelief | null)[];
  private bounds: Bounds;

  constructor(private readonly i: BelieveInput) {
    this.why = new Array<Disbelief | null>(i.readings.length).fill(null);
    this.bounds = i.start.copy();
  }

  private carry(bounds: Bounds, tS: number): void {
    const { i } = this;
    const dtS = tS - bounds.tS;
    if (dtS <= CARRY_S) {
      bounds.carry(tS, i.around(tS));
      if (i.ceilingC) bounds.highC = Math.min(bounds.highC, i.ceilingC(tS) + i.slackC);
      return;
    }
    const steps = Math.min(MOST_CARRIES, Math.max(1, Math.ceil(dtS / CARRY_S)));
    for (let n = 1, from = bounds.tS; n <= steps; n += 1) {
      const at = n === steps ? tS : from + (dtS * n) / steps;
      bounds.carry(at, i.around(at));
    }
    if (i.ceilingC) bounds.highC = Math.min(bounds.highC, i.ceilingC(tS) + i.slackC);
  }

  /** Index of the first reading from k on that is outside or does not follow the one before it. */
  private inside(k: number): number {
    const { readings } = this.i;
    let j = k;
    for (; j < readings.length; j += 1) {
      const r = readings[j]!;
      this.carry(this.bounds, r.tS);
      if (this.bounds.outside(r.tempC) !== 0) return j;
      if (j > k && !continuous(this.i, readings[j - 1]!, r)) return j;
      this.bounds.narrow(r.tempC, this.i.slackC);
    }
    return j;
  }

  /** Does the log from k on, begun within these bounds, hold for long enough to be believed again? */
  private holds(k: number, from: Bounds): boolean {
    const { readings } = this.i;
    const bounds = from.copy();
    for (let j = k; j < readings.length; j += 1) {
      const r = readings[j]!;
      this.carry(bounds, r.tS);
      if (bounds.outside(r.tempC) !== 0) return false;
      if (j > k && !continuous(this.i, readings[j - 1]!, r)) return false;
      bounds.narrow(r.tempC, this.i.slackC);
      if (j > k && r.tS - readings[k]!.tS >= AGAIN_S) return true;
    }
    return false;
  }

  /** Where the run of readings that follow each other from k ends, and whether none of it is a fault by itself. */
  private runFrom(k: number): { lastedS: number; possible: boolean } {
    const { readings, floorC, slackC } = this.i;
    const isFault = (r: Reading) =>
      r.tempC < Math.max(FAULT_C.low, (floorC?.(r.tS) ?? -Infinity) - slackC) ||
      r.tempC > FAULT_C.high;
    let possible = !isFault(readings[k]!);
    let j = k + 1;
    while (j < readings.length && continuous(this.i, readings[j - 1]!, readings[j]!)) {
      possible &&= !isFault(readings[j]!);
      j += 1;
    }
    return { lastedS: readings[j - 1]!.tS - readings[k]!.tS, possible };
  }

  /** From an impossible reading at k: the index from which the log is believed again, its length when never. */
  private recover(k: number): number {
    const { readings } = this.i;
    const open = this.bounds.copy();
    for (let j = k; j < readings.length; j += 1) {
      const r = readings[j]!;
      const broke = j > k && !continuous(this.i, readings[j - 1]!, r);
      this.carry(open, r.tS);
      if (!broke || open.outside(r.tempC) !== 0 || !this.holds(j, open)) continue;
      this.bounds = open;
      return j;
    }
    return readings.length;
  }

  run(): Belief {
    const { readings, helpsAt, answer, slackC } = this.i;
    let k = 0;
    while ((k = this.inside(k)) < readings.length) {
      const r = readings[k]!;
      const out = this.bounds.outside(r.tempC);
      const high = out === 0 ? r.tempC > readings[k - 1]!.tempC : out > 0;
      const before = this.bounds.copy();
      const back = this.recover(k);
      const helps = helpsAt(r.tS);
      const run = this.runFrom(k);
      const awayS = (readings[back]?.tS ?? Infinity) - r.tS;
      const stays = run.possible && run.lastedS >= AGAIN_S && awayS > DROP_OUT_S;
      if (stays && helps === (high ? 'down' : 'up')) {
        /* It stays where it hurts: this is the core, and what helped before was not. */
        this.replaceBefore(k, helps);
        this.bounds = new Bounds(answer, r.tS, r.tempC - slackC, r.tempC + slackC);
        k += 1;
        continue;
      }
      if (back === readings.length) this.bounds = before;
      this.why.fill(high ? 'too_high' : 'too_low', k, back);
      k = back;
    }
    return { why: this.why, end: this.bounds };
  }

  /** Takes the belief from the readings before k that were judged in the same direction. */
  private replaceBefore(k: number, helps: Helps): void {
    const { readings, helpsAt } = this.i;
    for (let j = k - 1; j >= 0 && helpsAt(readings[j]!.tS) === helps; j -= 1)
      this.why[j] ??= 'replaced';
  }
}

/**
 * Which readings of a core log can be a core: inside what conduction allows from what was believed before,
 * in what surrounds the piece. A log that left it is believed again only when it comes back by itself (not by
 * waiting until its wrong value has become possible) and holds for five minutes. What stays on the side that
 * hurts (too low in the cook, too high in the chill) is believed instead of what came before it.
 * @source bounds after {@link answerOf}; limits of the fit chosen by the study of docs/model.md
 */
export const believe = (input: BelieveInput): Belief => new Walk(input).run();
