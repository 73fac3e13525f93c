import { QuantityError, requireBetween, requireFinite, requirePositive } from '../guard';
import { missAt, type ModelError } from '../forecast/model-error';
import { quantilesOf, type Weighed } from '../forecast/quantile';
import type { Reading } from '../lethality/reading';
import { normalFrom, randomFrom } from '../random';
import { hoursTo, requireCulture, type CultureCourse } from './culture';
import {
  coursePh,
  fitPh,
  type FittedPh,
  type LikelyCourse,
  type PhFitted,
  type PhReading,
} from './fit-ph';
import { workOf, workedBy, whenWorked, type WorkCourse } from './work';

export type PhForecastInput = {
  culture: CultureCourse;
  /** Fermentable sugar as dextrose, g per kg of meat block. */
  dextroseGPerKg: number;
  /** Usual pH of the batter where nothing was measured. */
  startPh?: number;
  /** Of this batch, in any order; times s. */
  readings: readonly PhReading[];
  /** The chamber up to now, times rising; may be empty. */
  chamber: readonly Reading[];
  /** The chamber from now on, °C, and how far it may be off. */
  ahead: { tempC: number; sdC?: number };
  /** Temperature of the meat when the ferment began, °C; as the chamber where nobody knows. */
  meatStartC?: number;
  /** How slowly the meat follows the air, s; by its diameter, see {@link meatLagS}. */
  meatLagS?: number;
  startS: number;
  nowS: number;
  /** pH to be met, each. */
  targets: readonly number[];
};

/** When a pH is met. Times s; null where it is not met within {@link MOST_AHEAD_S}. */
export type PhTarget = {
  ph: number;
  p10S: number | null;
  p50S: number | null;
  p90S: number | null;
  status: 'reached' | 'forecast' | 'unreachable' | 'unexplained';
};

export type PhForecast = {
  targets: PhTarget[];
  /** The course that the batch has gone and will go, with its band, for drawing. */
  course: { tS: number; p10: number; p50: number; p90: number }[];
  /** Where it ends when nothing is done, most likely. */
  lowestPh: number;
  /** What the readings told of this batch against the culture's own course, natural logarithms; null without readings. */
  fitted: PhFitted | null;
  /** `readings` that were used; `unexplained`: no such course passes near them. */
  basis: { readings: number; from: 'culture' | 'fitted'; unexplained: boolean };
};

/** A ferment is over after this long, s. */
export const MOST_AHEAD_S = 7 * 86400;
/** Five equal parts of the normal spread, each by its middle: how far the chamber is off from now on. */
const OFFS = [-1.2816, -0.5244, 0, 0.5244, 1.2816];
const ON_TIME = 2;
const BAND = [0.1, 0.5, 0.9];
const SEED = 8;
const COURSE_POINTS = 120;
const USUAL_AHEAD_SD_C = 0.7;

/**
 * How slowly a sausage follows the chamber, s: a lumped cylinder, `ρ·cp·r / 2h`, in moving air of 12 W/m²K.
 * @param diameterMm mm, > 0
 */
export const meatLagS = (diameterMm: number) => (1050 * 3400 * (diameterMm / 2000)) / (2 * 12);

function requireInput(i: PhForecastInput): PhForecastInput {
  requireCulture(i.culture);
  requireFinite('startS', i.startS);
  if (!(i.nowS >= i.startS)) throw new QuantityError('nowS', i.nowS, 'at or after startS');
  requireBetween('ahead.tempC', i.ahead.tempC, -10, 60);
  for (const r of i.readings) requireBetween('ph', r.ph, 3, 8);
  for (const t of i.targets) requireBetween('targets', t, 3.5, 7);
  if (i.meatLagS !== undefined) requirePositive('meatLagS', i.meatLagS);
  return i;
}

/** Work of the past and, from the same past on, of each chamber that may come. */
function coursesOf(i: PhForecastInput): WorkCourse[] {
  const chamber = i.chamber.filter((r) => r.tS <= i.nowS);
  const air = chamber.length > 0 ? chamber : [{ tS: i.startS, tempC: i.ahead.tempC }];
  const shape = {
    fromS: i.startS,
    startC: i.meatStartC ?? air[0]!.tempC,
    meatLagS: i.meatLagS ?? 3600,
  };
  const sdC = i.ahead.sdC ?? USUAL_AHEAD_SD_C;
  const toS = i.nowS + MOST_AHEAD_S;
  return OFFS.map((off) => {
    const tempC = i.ahead.tempC + off * sdC;
    const then = [...air, { tS: i.nowS, tempC: air.at(-1)!.tempC }, { tS: i.nowS + 1, tempC }];
    return workOf(i.culture, then, { ...shape, toS });
  });
}

/**
 * When a ferment meets each pH asked for, as an hour with a band: a falling Richards curve over the culture's work, which
 * the chamber's temperature paces; its lag, speed, depth, shape and beginning start from the culture's course and are refitted to the
 * batch's own readings. What is left open, and the chamber to come, make the band.
 * @param dextroseGPerKg sugar that the culture can use, g/kg of batter · @param readings pH 3 to 8, s · @param chamber °C, s, so far · @param ahead chamber to come, −10 to 60 °C
 * @param targets pH, 3.5 to 7 · @param startS, nowS s, nowS ≥ startS
 * @returns for each target p10S ≤ p50S ≤ p90S on the clock of `startS`; readings that show it, and none above it after them, are
 * `reached`. The course is
 * sampled over the ferment and what lies ahead; null times are beyond seven days
 * @throws RangeError naming the field
 * Range: 5 to 45 °C, one culture, one sugar course; a fall in two phases widens nothing by itself, the readings do.
 * @source Zwietering et al. (1990); Rosso et al. (1993); 0.1 pH per g/kg dextrose (usual practice of the trade)
 * @example forecastPh({ culture: USUAL_CULTURES.fast, dextroseGPerKg: 8, readings: [], chamber: [], ahead: { tempC: 38 }, startS: 0, nowS: 0, targets: [5.3] }).targets[0]!.status // 'forecast'
 */
export function forecastPh(input: PhForecastInput): PhForecast {
  const i = requireInput(input);
  const used = i.readings
    .filter((r) => r.tS >= i.startS && r.tS <= i.nowS)
    .sort((a, b) => a.tS - b.tS);
  const ahead = coursesOf(i);
  const fitted = fitPh(i, used, ahead[ON_TIME]!, i.ahead.tempC);
  const drawn: Drawn[] = fitted.courses.map((c, k) => ({ ...c, off: k % OFFS.length }));
  return {
    targets: i.targets.map((ph) => targetOf(ph, i, used, drawn, ahead, fitted)),
    course: courseOf(i, drawn, ahead, fitted),
    lowestPh: quantilesOf(
      drawn.map(({ curve, weight }) => ({ value: curve.startPh - curve.depth, weight })),
      [0.5],
    )[0]!,
    fitted: fitted.fitted,
    basis: {
      readings: used.length,
      from: used.length > 0 ? 'fitted' : 'culture',
      unexplained: fitted.unexplained,
    },
  };
}

/** A likely course, and which of the chambers ahead it meets. */
type Drawn = LikelyCourse & { off: number };

/** When a course comes to a pH, s; Infinity where it does not. */
function meets(
  ph: number,
  c: Drawn,
  ahead: readonly WorkCourse[],
  error: ModelError,
  z: number,
): number {
  const when = (missed: number) =>
    whenWorked(ahead[c.off]!, hoursTo(ph + missed, c.curve)) ?? Infinity;
  const first = when(c.known.mean);
  if (first === Infinity) return first;
  const miss = missAt(c.known, first, error);
  return when(miss.mean + z * Math.sqrt(miss.variance));
}

function targetOf(
  ph: number,
  i: PhForecastInput,
  used: readonly PhReading[],
  drawn: readonly Drawn[],
  ahead: readonly WorkCourse[],
  { error, unexplained }: FittedPh,
): PhTarget {
  /* A later reading above it opens it again. */
  const shown = used[used.findLastIndex((r) => r.ph > ph) + 1]?.tS;
  if (shown !== undefined) return { ph, p10S: shown, p50S: shown, p90S: shown, status: 'reached' };
  if (unexplained) return { ph, p10S: null, p50S: null, p90S: null, status: 'unexplained' };
  const normal = normalFrom(randomFrom(SEED));
  const times = drawn.map((c): Weighed => ({
    value: Math.max(i.nowS, meets(ph, c, ahead, error, normal())),
    weight: c.weight,
  }));
  const [p10S, p50S, p90S] = quantilesOf(times, BAND).map((tS) => (tS < Infinity ? tS : null)) as [
    number | null,
    number | null,
    number | null,
  ];
  return { ph, p10S, p50S, p90S, status: p50S === null ? 'unreachable' : 'forecast' };
}

/** The course over the ferment and as much again, at least a day ahead. */
function courseOf(
  i: PhForecastInput,
  drawn: readonly Drawn[],
  ahead: readonly WorkCourse[],
  { error }: FittedPh,
) {
  const toS = Math.min(i.nowS + MOST_AHEAD_S, i.nowS + Math.max(86400, i.nowS - i.startS));
  const stepS = (toS - i.startS) / COURSE_POINTS;
  return Array.from({ length: COURSE_POINTS + 1 }, (_, k) => {
    const tS = i.startS + k * stepS;
    const hours = ahead.map((course) => workedBy(course, tS));
    const phs = drawn.map((c) => ({
      value: coursePh(c, hours[c.off]!, tS, error),
      weight: c.weight,
    }));
    const [p10, p50, p90] = quantilesOf(phs, BAND) as [number, number, number];
    return { tS, p10, p50, p90 };
  });
}
