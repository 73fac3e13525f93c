import { requireFinite } from '../guard';

export type RunChannel = 'core' | 'air' | 'wetBulb';
export type RunReading = { tS: number; channel: RunChannel; tempC: number };

/** A channel averaged into bins, in time order. */
export type Binned = { tS: number; tempC: number; count: number }[];

const BELIEVABLE_C = { low: -40, high: 190 };
const MOST_BINS = 120;
const SHORTEST_BIN_S = 60;
/** Air readings further apart than this say nothing of the time between, s. */
const AIR_GAP_S = 1200;

/** Width of the bins for a run of this length, s. */
export const binWidthS = (spanS: number) => Math.max(SHORTEST_BIN_S, spanS / MOST_BINS);

/** Means of one channel up to nowS, by bins of widthS. Order of the readings does not matter. */
export function binChannel(
  readings: readonly RunReading[],
  channel: RunChannel,
  nowS: number,
  widthS: number,
): Binned {
  const bins = new Map<number, { t: number; c: number; n: number }>();
  for (const r of readings) {
    if (r.channel !== channel || r.tS > nowS || r.tS < 0) continue;
    requireFinite('readings.tempC', r.tempC);
    /* What no house can be is a fault of the probe, and nothing to fit to. */
    if (r.tempC < BELIEVABLE_C.low || r.tempC > BELIEVABLE_C.high) continue;
    const key = Math.floor(r.tS / widthS);
    const bin = bins.get(key);
    if (bin) {
      bin.t += r.tS;
      bin.c += r.tempC;
      bin.n += 1;
    } else bins.set(key, { t: r.tS, c: r.tempC, n: 1 });
  }
  return [...bins.entries()]
    .sort((a, b) => a[0] - b[0])
    .map(([, b]) => ({ tS: b.t / b.n, tempC: b.c / b.n, count: b.n }));
}

/**
 * Spread of single readings around their own course, °C: from second differences, so that a steady rise
 * does not count; robust against leaps. A usual 0.3 when there are too few.
 */
export function noiseOf(readings: readonly RunReading[], channel: RunChannel): number {
  const t = readings.filter((r) => r.channel === channel).map((r) => r.tempC);
  const diffs: number[] = [];
  for (let i = 2; i < t.length; i += 1) diffs.push(Math.abs(t[i]! - 2 * t[i - 1]! + t[i - 2]!));
  if (diffs.length < 8) return 0.3;
  diffs.sort((a, b) => a - b);
  /* Median of |N(0, 6·σ²)| is 0.6745·√6·σ. */
  return Math.max(0.02, diffs[Math.floor(diffs.length / 2)]! / (0.6745 * Math.sqrt(6)));
}

/** A binned channel as a course in time: straight lines, null where nothing was read for long. */
export class Course {
  private at = 0;

  constructor(private readonly bins: Binned) {}

  get last(): Binned[number] | null {
    return this.bins.at(-1) ?? null;
  }

  /** °C at tS, held level for a few minutes before the first and after the last bin; null in a gap. */
  valueAt(tS: number): number | null {
    const { bins } = this;
    if (bins.length === 0) return null;
    if (this.at >= bins.length || bins[this.at]!.tS > tS) this.at = 0;
    while (this.at < bins.length - 1 && bins[this.at + 1]!.tS <= tS) this.at += 1;
    const a = bins[this.at]!;
    const b = bins[this.at + 1];
    if (tS < a.tS || !b) return Math.abs(tS - a.tS) <= AIR_GAP_S ? a.tempC : null;
    if (b.tS - a.tS > AIR_GAP_S) return null;
    return a.tempC + ((tS - a.tS) / (b.tS - a.tS)) * (b.tempC - a.tempC);
  }

  /** Middle of what was read from one time to another, or null: a door that was opened does not move it. */
  medianBetween(fromS: number, toS: number): number | null {
    const within = this.bins.filter((b) => b.tS > fromS && b.tS <= toS).map((b) => b.tempC);
    within.sort((a, b) => a - b);
    return within[within.length >> 1] ?? null;
  }
}
