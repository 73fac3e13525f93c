import { QuantityError, requireBetween, requirePositive } from '../guard';

/**
 * What differs from batch to batch, in this order: the pace at every temperature, the lag beside it, the depth and the shape
 * of the fall, natural logarithms, and the pH at the beginning.
 */
export const COURSE_PARTS = ['pace', 'lag', 'depth', 'shape', 'startPh'] as const;
export type CourseSpread = Record<(typeof COURSE_PARTS)[number], number>;

/** What earlier batches taught, in spreads of the usual course, in the order of {@link COURSE_PARTS}. */
export type CourseLearned = { mean: number[]; covariance: number[][] };

/** How a starter culture works: its temperatures, how long it waits, how fast and how low it brings the pH. */
export type CultureCourse = {
  /** Coldest at which it works at all, where it works fastest, and where it stops, °C. */
  minC: number;
  bestC: number;
  maxC: number;
  /** Hours before the pH falls, and the steepest fall, pH per hour, both at `bestC`. */
  lagH: number;
  fallPerH: number;
  /** Lowest pH that it comes to, however much sugar there is. */
  floorPh: number;
  /** How uneven the two halves of the fall are, see {@link PhCurve}. */
  shape: number;
  /** How far a batch may be from this where nothing was learned: one spread of each. */
  spread: CourseSpread;
  learned?: CourseLearned;
};

export const CULTURE_TEMPOS = ['fast', 'medium', 'slow'] as const;
export type CultureTempo = (typeof CULTURE_TEMPOS)[number];

/**
 * Checks a culture's figures once, at the door.
 * @param c minC −5 to 40, maxC 10 to 60, bestC between them, °C; lagH h and fallPerH pH/h, > 0; floorPh 3.5 to 7
 * @throws RangeError naming the figure
 */
export function requireCulture(c: CultureCourse): CultureCourse {
  requireBetween('minC', c.minC, -5, 40);
  requireBetween('maxC', c.maxC, 10, 60);
  if (!(c.minC < c.bestC && c.bestC < c.maxC))
    throw new QuantityError('bestC', c.bestC, 'between minC and maxC');
  requirePositive('lagH', c.lagH);
  requirePositive('fallPerH', c.fallPerH);
  requireBetween('floorPh', c.floorPh, 3.5, 7);
  requirePositive('shape', c.shape);
  for (const part of COURSE_PARTS) requireBetween(part, c.spread[part], 0, 3);
  return c;
}

/**
 * How fast a culture works at a temperature, as a share of its fastest: the cardinal temperature model with inflection,
 * `(T−Tmax)(T−Tmin)² / ((Topt−Tmin)·((Topt−Tmin)(T−Topt) − (Topt−Tmax)(Topt+Tmin−2T)))` between Tmin and Tmax, 0 outside.
 * @param tempC temperature of the meat, °C
 * @returns 0 to 1; 1 at `bestC`
 * @source Rosso, Lobry & Flandrois (1993), J. theor. Biol. 162, eq. 2
 * @example workRate(38, USUAL_CULTURES.fast) // 1
 */
export function workRate(
  tempC: number,
  { minC, bestC, maxC }: Pick<CultureCourse, 'minC' | 'bestC' | 'maxC'>,
): number {
  if (!(tempC > minC && tempC < maxC)) return 0;
  const above = (bestC - minC) * (tempC - bestC) - (bestC - maxC) * (bestC + minC - 2 * tempC);
  const rate = ((tempC - maxC) * (tempC - minC) ** 2) / ((bestC - minC) * above);
  return Math.min(1, Math.max(0, rate));
}

/** The course of a pH over the work of a culture. */
export type PhCurve = {
  startPh: number;
  /** Whole fall of the pH, > 0. */
  depth: number;
  lagH: number;
  /** Steepest fall, pH per hour of work. */
  fallPerH: number;
  /** How uneven the two halves are, > 0: 1 is even, less falls early and comes to its end slowly. */
  shape: number;
};

/** Exponent of the curve per hour of work, so that its steepest fall is what the curve says. */
const steepOf = (c: PhCurve) => (c.fallPerH * (1 + c.shape) ** (1 + 1 / c.shape)) / c.depth;

/**
 * pH after some hours of work at the best temperature: a falling Richards curve,
 * `startPh − depth·(1 + ν·exp(1 + ν + s·(lagH − h)))^(−1/ν)`, `s = fallPerH·(1 + ν)^(1 + 1/ν) / depth`; its steepest
 * tangent meets the beginning at `lagH`.
 * @param workedH hours at the best temperature, or as much work at another, ≥ 0
 * @source Zwietering et al. (1990), Appl. Environ. Microbiol. 56, table 2 (modified Richards)
 * @example phAfter(0, { startPh: 5.8, depth: 1, lagH: 4, fallPerH: 0.1, shape: 1 }) // 5.77
 */
export function phAfter(workedH: number, c: PhCurve): number {
  const inner = 1 + c.shape * Math.exp(1 + c.shape + steepOf(c) * (c.lagH - workedH));
  return c.startPh - c.depth * inner ** (-1 / c.shape);
}

/**
 * Hours of work at which a curve comes to a pH; Infinity where it does not, 0 where it began below.
 * @param ph pH · @param c curve at the best temperature, hours
 */
export function hoursTo(ph: number, c: PhCurve): number {
  const share = (c.startPh - ph) / c.depth;
  if (share <= 0) return 0;
  if (share >= 1) return Infinity;
  const inner = Math.log((share ** -c.shape - 1) / c.shape) - 1 - c.shape;
  return Math.max(0, c.lagH - inner / steepOf(c));
}
