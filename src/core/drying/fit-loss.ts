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
export type DryingPrior = {
  insideLn: number;
  outsideLn: number;
  insideSd: number;
  outsideSd: number;
};
export const USUAL_DRYING: DryingPrior = {
  insideLn: 0,
  outsideLn: 0,
  insideSd: 0.35,
  outsideSd: 0.45,
};
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

/** Scale, hook and hand, as a share of the weight; and what the model misses, for days. */
const WEIGH_SD = 0.003;
const MISS: ModelError = { sd: 0.005, memoryS: 6 * 86400 };
const MOST_MEAN_SQUARE = 9;

/** Loss of a course at a time, straight between its samples. */
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
  { nowS, prior = USUAL_DRYING }: { nowS: number; prior?: DryingPrior },
): FittedLoss {
  const [first, ...later] = weighings;
  const times = later.map((w) => w.tS);
  const losses = later.map((w) => 1 - w.weightG / first!.weightG);
  /* The first weight is off as well, and every loss with it. */
  const noise = later.map((w) => WEIGH_SD * Math.hypot(1, w.weightG / first!.weightG));
  const told = (course: DryingCourse) =>
    surprises(
      Float64Array.from(times, (tS, k) => lossAt(course, tS) - losses[k]!),
      times,
      noise,
      MISS,
    );
  const past = { ...run, untilS: Math.max(run.startS, times.at(-1) ?? nowS), untilLoss: undefined };
  const residualsOf = (factorsOf: FactorsOf) => (z: readonly number[]) =>
    told(simulateDrying({ ...past, factors: factorsOf(z) })).surprise;
  const ways = [null, ...changesOf(later)].map((changeS) => {
    const factorsOf = factorsAbout(prior, changeS);
    const residuals = residualsOf(factorsOf);
    const fit = fitMap(residuals, changeS === null ? [0, 0, 0] : [0, 0, 0, 0]);
    return { factorsOf, residuals, fit, cost: costOf(residuals(fit.theta), fit.theta) };
  });
  const best = ways.reduce((a, b) => (b.cost < a.cost ? b : a));
  const { fit } = best;
  const likely = ways
    .filter((w) => w.cost < best.cost + FAR_OFF)
    .flatMap((way) => {
      const drawn = drawsOf(way.residuals, way.fit, DRAWS, SEED);
      const whole = drawn.reduce((sum, d) => sum + d.weight, 0);
      const mass = massOf(way, best.cost) * (way === ways[0] ? 1 : CHANGES / (ways.length - 1));
      return drawn.map(({ theta, weight }): LikelyDrying => {
        const factors = way.factorsOf(theta);
        const course = simulateDrying({ ...run, factors });
        return { factors, course, weight: (mass * weight) / whole, known: told(course).known };
      });
    });
  return {
    likely,
    best: best.factorsOf(fit.theta),
    error: { ...MISS, sd: MISS.sd * Math.sqrt(Math.max(1, fit.meanSquare)) },
    unexplained: later.length > 1 && fit.meanSquare > MOST_MEAN_SQUARE,
  };
}

type FactorsOf = (z: readonly number[]) => DryingFactors;

/** Vectors of spreads as factors; a fourth is what changed at a weighing. */
const factorsAbout =
  (prior: DryingPrior, changeS: number | null): FactorsOf =>
  ([inside, outside, dryness, lately]) => ({
    inside: Math.exp(prior.insideLn + prior.insideSd * inside!),
    outside: Math.exp(prior.outsideLn + prior.outsideSd * outside!),
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
