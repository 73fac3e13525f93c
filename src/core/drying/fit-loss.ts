import { cholesky } from '../forecast/cholesky';
import { drawsOf } from '../forecast/draws';
import { fitMap, type Fit } from '../forecast/fit';
import { surprises, type KnownMiss, type ModelError } from '../forecast/model-error';
import type { DryingFactors } from './piece';
import { simulateDrying, type DryingCourse, type DryingInput } from './simulate-drying';

/** One weighing of a marked piece, net, g. */
export type PieceWeighing = { tS: number; weightG: number };

/** A course that the piece may be on, as likely as its weight says. */
export type LikelyDrying = {
  factors: DryingFactors;
  course: DryingCourse;
  weight: number;
  known: KnownMiss;
};

export type FittedLoss = {
  likely: LikelyDrying[];
  /** The most likely of all. */
  best: DryingFactors;
  error: ModelError;
  /** No such course passes near the weights: another piece, another scale, or a slip. */
  unexplained: boolean;
};

/** How far meat and rooms are from what is usual, ln: what moves inside, what leaves outside. */
const INSIDE_SD = 0.35;
const OUTSIDE_SD = 0.45;
/** How much the slowing of dry lean differs, and how far things may change on the way, ln. */
const DRYNESS_SD = 0.7;
const LATELY_SD = 0.8;
/** A change is looked for at most at so many weighings, and with at least two on either side of it. */
const MOST_CHANGES = 6;
const EITHER_SIDE = 2;
/** Whether something changed, beside that nothing did; and what is too far off the best to be followed, in squares. */
const CHANGES = 0.5;
const FAR_OFF = 8;
const DRAWS = 20;
const SEED = 5;

/** Where fits begin, in spreads: a change that shut a rim is found from a shut one only, an end of dry lean hides it from elsewhere. */
const STARTS = {
  steady: [[0, 0, 0]],
  changed: [
    [0, 0, 0, 0],
    [0, 0, 0, -1.2],
  ],
};

/** Scale, hook and hand, as a share of the weight; and what the model misses, for days. */
const WEIGH_SD = 0.003;
const MISS: ModelError = { sd: 0.004, memoryS: 6 * 86400 };
const MOST_MEAN_SQUARE = 9;

/**
 * Loss of a course at a time, straight between its samples.
 * @param tS s
 */
export function lossAt({ samples }: DryingCourse, tS: number): number {
  let [low, high] = [0, samples.length - 1];
  if (tS <= samples[0]!.tS) return samples[0]!.lossFraction;
  if (tS >= samples[high]!.tS) return samples[high]!.lossFraction;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (samples[middle]!.tS <= tS) low = middle;
    else high = middle;
  }
  const [a, b] = [samples[low]!, samples[high]!];
  return a.lossFraction + ((tS - a.tS) / (b.tS - a.tS)) * (b.lossFraction - a.lossFraction);
}

/**
 * When a course has lost so much, s; Infinity where it does not.
 * @param loss share of the first weight, [0, 1)
 */
export function whenLost({ samples }: DryingCourse, loss: number): number {
  const k = samples.findIndex((s) => s.lossFraction >= loss);
  if (k < 0) return Infinity;
  if (k === 0) return samples[0]!.tS;
  const [a, b] = [samples[k - 1]!, samples[k]!];
  return a.tS + ((loss - a.lossFraction) / (b.lossFraction - a.lossFraction)) * (b.tS - a.tS);
}

/**
 * The drying courses that a piece may be on: how fast water moves inside, how freely it leaves, how much dry lean slows it,
 * and what changed of late, about what is usual; fitted to its weights (most likely values), then drawn, each by its likelihood.
 * Each course runs to `untilS` or to the loss asked for.
 * @param weighings at least the first, which is the start; times rising
 * @param nowS fits run to here only
 * @source MacKay (2003) ch. 27 and 29.2; Kennedy & O'Hagan (2001) for the model's own miss
 */
export function fitLoss(
  run: DryingInput,
  weighings: readonly PieceWeighing[],
  nowS: number,
): FittedLoss {
  const [first, ...later] = weighings;
  const told = toldBy(first!, later);
  const past = {
    ...run,
    untilS: Math.max(run.startS, later.at(-1)?.tS ?? nowS),
    untilLoss: undefined,
  };
  const ways = [null, ...changesOf(later)].map((changeS): Way => {
    const factorsOf = factorsAbout(changeS);
    const residuals = (z: readonly number[]) =>
      told(simulateDrying({ ...past, factors: factorsOf(z) })).surprise;
    return STARTS[changeS === null ? 'steady' : 'changed']
      .map((start): Way => {
        const fit = fitMap(residuals, start);
        return { factorsOf, residuals, fit, cost: costOf(residuals(fit.theta), fit.theta) };
      })
      .reduce((a, b) => (b.cost < a.cost ? b : a));
  });
  const best = ways.reduce((a, b) => (b.cost < a.cost ? b : a));
  const { fit } = best;
  const share = (way: Way) => (way === ways[0] ? 1 : CHANGES / (ways.length - 1));
  const likely = ways
    .filter((way) => way.cost < best.cost + FAR_OFF)
    .flatMap((way) =>
      drawnOf(way, share(way) * massOf(way, best.cost)).map(({ factors, weight }): LikelyDrying => {
        const course = simulateDrying({ ...run, factors });
        return { factors, course, weight, known: told(course).known };
      }),
    );
  return {
    likely,
    best: best.factorsOf(fit.theta),
    error: { ...MISS, sd: MISS.sd * Math.sqrt(Math.max(1, fit.meanSquare)) },
    unexplained: later.length > 1 && fit.meanSquare > MOST_MEAN_SQUARE,
  };
}

/** One way of explaining the weights: with nothing changed on the way, or with a change at one of them. */
type Way = {
  factorsOf: FactorsOf;
  residuals: (z: readonly number[]) => Float64Array;
  fit: Fit;
  cost: number;
};

/** What the weights after the first say of a course: each surprise over its spread, and what is known of the miss. */
function toldBy(first: PieceWeighing, later: readonly PieceWeighing[]) {
  const times = later.map((w) => w.tS);
  const losses = later.map((w) => 1 - w.weightG / first.weightG);
  /* The first weight is off as well, and every loss with it. */
  const noise = later.map((w) => WEIGH_SD * Math.hypot(1, w.weightG / first.weightG));
  return (course: DryingCourse) => {
    const misses = Float64Array.from(times, (tS, k) => lossAt(course, tS) - losses[k]!);
    return surprises(misses, times, noise, MISS);
  };
}

/** Draws of a way that share its part of the whole probability. */
function drawnOf({ residuals, fit, factorsOf }: Way, mass: number) {
  const drawn = drawsOf(residuals, fit, DRAWS, SEED);
  const whole = drawn.reduce((sum, d) => sum + d.weight, 0);
  return drawn.map((d) => ({ factors: factorsOf(d.theta), weight: (mass * d.weight) / whole }));
}

type FactorsOf = (z: readonly number[]) => DryingFactors;

/** Vectors of spreads as factors; a fourth is what changed at a weighing. */
const factorsAbout =
  (changeS: number | null): FactorsOf =>
  ([inside, outside, dryness, lately]) => ({
    inside: Math.exp(INSIDE_SD * inside!),
    outside: Math.exp(OUTSIDE_SD * outside!),
    dryness: Math.exp(DRYNESS_SD * dryness!),
    ...(changeS === null ? {} : { lately: { fromS: changeS, by: Math.exp(LATELY_SD * lately!) } }),
  });

/** Weighings at which something may have changed, evenly over those with enough on either side. */
function changesOf(later: readonly PieceWeighing[]): number[] {
  const inner = later.slice(EITHER_SIDE - 1, later.length - EITHER_SIDE);
  const n = Math.min(MOST_CHANGES, inner.length);
  return Array.from({ length: n }, (_, k) => inner[Math.floor(((k + 0.5) * inner.length) / n)]!.tS);
}

/** How much of the whole probability a way of explaining holds, beside the best one. @source MacKay (2003) ch. 28.2 */
function massOf({ fit, cost }: { fit: Fit; cost: number }, bestCost: number): number {
  const root = cholesky(fit.covariance);
  const volume = root ? root.reduce((product, row, p) => product * row[p]!, 1) : 1;
  return Math.exp((bestCost - cost) / 2) * volume;
}

const costOf = (residuals: Float64Array, z: readonly number[]) =>
  residuals.reduce((sum, r) => sum + r * r, 0) + z.reduce((sum, v) => sum + v * v, 0);
