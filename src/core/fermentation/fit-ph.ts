import { cholesky, invertSpd } from '../forecast/cholesky';
import { drawsOf } from '../forecast/draws';
import { fitMap, type Fit } from '../forecast/fit';
import { missAt, surprises, type KnownMiss, type ModelError } from '../forecast/model-error';
import { COURSE_PARTS, phAfter, workRate, type CultureCourse, type PhCurve } from './culture';
import { START_PH, finalPh } from './final-ph';
import { workedBy, type WorkCourse } from './work';

/** One pH of the batch. A meter that was not checked in its buffers the same day counts less. */
export type PhReading = { tS: number; ph: number; checked: boolean };

/**
 * What the readings of a batch tell of its course by themselves, in spreads of the culture's usual course: precision, and
 * precision times mean, in the order of `COURSE_PARTS`. `course` is the most likely one, prior and readings together.
 */
export type PhFitted = { precision: number[][]; pull: number[]; course: PhCurve };

/** One course that the batch may be on, as likely as its weight says, and what it is known to miss now. */
export type LikelyCourse = { curve: PhCurve; weight: number; known: KnownMiss };

export type FittedPh = {
  courses: LikelyCourse[];
  error: ModelError;
  fitted: PhFitted | null;
  /** No such course passes near the readings. */
  unexplained: boolean;
};

/** A piece, a probe and a hand: how far a reading is off the batch, pH, by a checked meter and by another. */
const READ_SD = { checked: 0.035, unchecked: 0.12 };
/** What the curve itself misses in the middle of a fall, pH, and for which share of the whole fall it does so. */
const MISS = { sd: 0.02, share: 0.35 };
/** Squares beyond which a reading counts ever less: one slip of the pen moves nothing. */
const TAIL = 8;
/** Square of the middle one of the misses above which nothing of the forecast is believed: one slip is no other course. */
const MOST_MIDDLE_SQUARE = 6;
const DRAWS = 240;
const NOTHING = COURSE_PARTS.map(() => 0);
/** No sausage goes below this. */
const LOWEST_PH = 3.6;
const SEED = 7;

type Known = {
  culture: CultureCourse;
  /** Fermentable sugar as dextrose, g per kg of meat block. */
  dextroseGPerKg: number;
  /** Usual pH of the batter where nothing was measured. */
  startPh?: number;
};

/** What a vector of spreads means for this batch. */
function curveOf(k: Known, theta: readonly number[]): PhCurve {
  const { culture: c } = k;
  const [pace, lag, depth, shape, start] = COURSE_PARTS.map((p, i) => c.spread[p] * theta[i]!) as [
    number,
    number,
    number,
    number,
    number,
  ];
  const startPh = (k.startPh ?? START_PH) + start;
  const usual = Math.max(0.05, startPh - finalPh({ ...k, floorPh: c.floorPh, startPh }));
  return {
    startPh,
    depth: Math.min(startPh - LOWEST_PH, usual * Math.exp(depth)),
    lagH: c.lagH * Math.exp(lag - pace),
    fallPerH: c.fallPerH * Math.exp(pace),
    shape: c.shape * Math.exp(shape),
  };
}

/** A vector of independent spreads as one in spreads of the usual course, about what was learned. */
function spreadsOf({ learned }: CultureCourse): (z: readonly number[]) => number[] {
  const root = learned && cholesky(learned.covariance);
  if (!root) return (z) => [...z];
  return (z) =>
    root.map((row, p) => learned.mean[p]! + row.reduce((sum, l, q) => sum + l * z[q]!, 0));
}

function fittedOf(k: Known, fit: Fit): PhFitted | null {
  const whole = invertSpd(fit.covariance);
  if (!whole || k.culture.learned) return null;
  return {
    precision: whole.map((row, p) => row.map((v, q) => v - (p === q ? 1 : 0))),
    pull: whole.map((row) => row.reduce((sum, v, q) => sum + v * fit.theta[q]!, 0)),
    course: curveOf(k, fit.theta),
  };
}

/**
 * The courses that a batch may be on: lag, speed, depth, beginning and shape about the culture's own, refitted to the
 * batch's readings (most likely values under usual spreads, then draws weighed by their likelihood). What the curve misses
 * is a course of its own; a reading far off counts ever less.
 * @param readings of the ferment up to now, in time
 * @param work done by the culture · @param aheadC chamber from now on: how fast it goes tells how long a miss lasts
 * @source MacKay (2003) ch. 27 and 29.2; Lange, Little & Taylor (1989) for the heavy tail
 */
export function fitPh(
  k: Known,
  readings: readonly PhReading[],
  work: WorkCourse,
  aheadC: number,
): FittedPh {
  const worked = readings.map((r) => workedBy(work, r.tS));
  const times = readings.map((r) => r.tS);
  const noise = readings.map((r) => (r.checked ? READ_SD.checked : READ_SD.unchecked));
  const toSpreads = spreadsOf(k.culture);
  const usual = curveOf(k, toSpreads(NOTHING));
  const fallH = usual.depth / usual.fallPerH / Math.max(0.05, workRate(aheadC, k.culture));
  const error: ModelError = { sd: MISS.sd, memoryS: MISS.share * fallH * 3600 };
  const missesOf = (z: readonly number[]) => {
    const curve = curveOf(k, toSpreads(z));
    return Float64Array.from(readings, (r, i) => phAfter(worked[i]!, curve) - r.ph);
  };
  const raw = (theta: readonly number[]) => surprises(missesOf(theta), times, noise, error);
  const residuals = (theta: readonly number[]) =>
    raw(theta).surprise.map((r) => Math.sign(r) * Math.sqrt(TAIL * Math.log1p((r * r) / TAIL)));
  const fit = fitMap(residuals, NOTHING);
  const squares = missesOf(fit.theta)
    .map((miss, i) => (miss / noise[i]!) ** 2)
    .sort();
  const unexplained = readings.length > 1 && squares[squares.length >> 1]! > MOST_MIDDLE_SQUARE;
  return {
    courses: drawsOf(residuals, fit, DRAWS, SEED).map(({ theta, weight }) => ({
      curve: curveOf(k, toSpreads(theta)),
      weight,
      known: raw(theta).known,
    })),
    error,
    fitted: readings.length > 0 && !unexplained ? fittedOf(k, fit) : null,
    unexplained,
  };
}

/**
 * pH of a course at a time, with what it is known to miss by then.
 * @param workedH hours of work done by then, ≥ 0 · @param tS when, s
 */
export function coursePh(c: LikelyCourse, workedH: number, tS: number, error: ModelError): number {
  return phAfter(workedH, c.curve) - missAt(c.known, tS, error).mean;
}
