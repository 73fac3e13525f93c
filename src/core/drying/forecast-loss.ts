import { QuantityError, requireBetween, requirePositive } from '../guard';
import { missAt } from '../forecast/model-error';
import { quantilesOf, type Weighed } from '../forecast/quantile';
import { fitLoss, lossAt, whenLost, type FittedLoss, type PieceWeighing } from './fit-loss';
import { nextWeighing } from './next-weighing';
import type { DryingAir, DryingFactors } from './piece';
import { MOST_DAYS, simulateDrying, type DryingInput } from './simulate-drying';

export type LossForecastInput = Pick<DryingInput, 'piece' | 'permeability'> & {
  /** Net weights of one marked piece, in any order; the earliest is its start. */
  weighings: readonly PieceWeighing[];
  /** The room's air up to now, times rising; may be empty. */
  air: readonly DryingAir[];
  /** The room from now on. */
  ahead: { airC: number; rh: number };
  nowS: number;
  targetLoss: number;
};

export type LossForecast = {
  /** Times s; null: not within {@link MOST_AHEAD_S}. */
  p10S: number | null;
  p50S: number | null;
  p90S: number | null;
  status: 'reached' | 'forecast' | 'unreachable' | 'unexplained';
  course: { tS: number; p10: number; p50: number; p90: number }[];
  /** When a weighing tells most of the day, s; null where it would tell little. */
  nextS: number | null;
  /** Most likely, now: estimated water activity of the rim and of the whole. */
  now: { rimAw: number; meanAw: number };
  fitted: DryingFactors;
};

/** Nothing is forecast for longer than this, s. */
export const MOST_AHEAD_S = 120 * 86400;
/** How far a room may be off from now on: humidity, one spread. */
const AHEAD_RH_SD = 0.01;
const BAND = [0.1, 0.5, 0.9];
/** Courses are followed a little beyond the loss asked for: what the model misses is added to them. */
const BEYOND = 0.04;
/** Five equal parts of the normal spread by their middles. */
const PARTS = [-1.2816, -0.5244, 0, 0.5244, 1.2816];
const COURSE_POINTS = 90;

function requireInput(i: LossForecastInput): PieceWeighing[] {
  requireBetween('targetLoss', i.targetLoss, 0.01, 0.7);
  requireBetween('ahead.rh', i.ahead.rh, 0.3, 1);
  for (const w of i.weighings) requirePositive('weightG', w.weightG);
  const known = i.weighings.filter((w) => w.tS <= i.nowS).sort((a, b) => a.tS - b.tS);
  if (known.length === 0)
    throw new QuantityError('weighings', 0, 'at least the weight at the start');
  return known;
}

/**
 * The day on which a hung piece has lost what is asked, with a band: the drying model fitted to its own weights in the air
 * that the room has had and is to have.
 * @param i piece (mm, shares), weighings (s, g; the first is the start), air so far and ahead (°C, humidity 0 to 1), loss asked for (share)
 * @returns p10S ≤ p50S ≤ p90S on the clock of the weighings; a weight that shows it is `reached`
 * @throws RangeError naming the field
 * Range: as {@link simulateDrying}; a piece that another took the place of, or a scale in the other unit, is `unexplained`.
 * @source see {@link fitLoss}
 * @example forecastLoss({ piece: { diameterMm: 60, waterFraction: 0.56, fatFraction: 0.22, saltFraction: 0.027 }, permeability: 0.6, weighings: [{ tS: 0, weightG: 1000 }], air: [], ahead: { airC: 13, rh: 0.78 }, nowS: 0, targetLoss: 0.3 }).status // 'forecast'
 */
export function forecastLoss(i: LossForecastInput): LossForecast {
  const weighings = requireInput(i);
  const first = weighings[0]!;
  const past = i.air.filter((a) => a.tS <= i.nowS);
  const room = (rh: number): DryingAir[] => [
    ...past,
    ...(past.length > 0 ? [{ ...past.at(-1)!, tS: i.nowS }] : []),
    { tS: i.nowS + 1, airC: i.ahead.airC, rh: Math.min(1, Math.max(0.3, rh)) },
  ];
  const run: DryingInput = {
    piece: i.piece,
    permeability: i.permeability,
    air: room(i.ahead.rh),
    startS: first.tS,
    untilS: Math.min(i.nowS + MOST_AHEAD_S, Math.max(i.nowS, first.tS + MOST_DAYS * 86_400)),
    untilLoss: Math.min(0.8, i.targetLoss + BEYOND),
  };
  const fitted = fitLoss(run, weighings, i.nowS);
  const sampled = simulateDrying({
    ...run,
    untilS: Math.max(i.nowS, first.tS),
    untilLoss: undefined,
    factors: fitted.best,
  });
  const { rimAw, meanAw } = sampled.samples.at(-1)!;
  const times = timesOf(i, run, fitted, room);
  const [p10S, p50S, p90S] = quantilesOf(times, BAND).map((t) => (t < Infinity ? t : null)) as [
    number | null,
    number | null,
    number | null,
  ];
  const base = {
    course: courseOf(i, first.tS, fitted, p90S),
    now: { rimAw, meanAw },
    fitted: fitted.best,
  };
  /* A later weight above it opens it again. */
  const heavy = (w: PieceWeighing) => 1 - w.weightG / first.weightG < i.targetLoss - 1e-9;
  const shown = weighings[weighings.findLastIndex(heavy) + 1];
  if (shown)
    return {
      ...base,
      p10S: shown.tS,
      p50S: shown.tS,
      p90S: shown.tS,
      status: 'reached',
      nextS: null,
    };
  if (fitted.unexplained)
    return { ...base, p10S: null, p50S: null, p90S: null, status: 'unexplained', nextS: null };
  const status = p50S === null ? 'unreachable' : 'forecast';
  const nextS = nextWeighing(fitted, { nowS: i.nowS, dueS: p50S, loss: i.targetLoss });
  return { ...base, p10S, p50S, p90S, status, nextS };
}

/** Times of all that is likely: the courses, what the model misses then, and the room to come. */
function timesOf(
  i: LossForecastInput,
  run: DryingInput,
  { likely, best, error }: FittedLoss,
  room: (rh: number) => DryingAir[],
): Weighed[] {
  const at = (rh: number) =>
    whenLost(simulateDrying({ ...run, air: room(rh), factors: best }), i.targetLoss);
  const [dry, usual, moist] = [-1, 0, 1].map((z) => at(i.ahead.rh + z * AHEAD_RH_SD)) as [
    number,
    number,
    number,
  ];
  const left = Math.max(1, usual - i.nowS);
  const roomBy = (z: number) => {
    const other = z > 0 ? moist : dry;
    return Math.max(0.2, 1 + Math.abs(z) * ((other - i.nowS) / left - 1));
  };
  return likely.flatMap((l) => {
    const rough = whenLost(l.course, i.targetLoss + l.known.mean);
    const miss = missAt(l.known, Math.min(rough, i.nowS + MOST_AHEAD_S), error);
    return PARTS.flatMap((z): Weighed[] => {
      const met = whenLost(l.course, i.targetLoss + miss.mean + z * Math.sqrt(miss.variance));
      if (met === Infinity || usual === Infinity) return [{ value: met, weight: l.weight }];
      const leftS = Math.max(0, met - i.nowS);
      return PARTS.map((y) => ({
        value: i.nowS + leftS * roomBy(y),
        weight: l.weight / PARTS.length,
      }));
    });
  });
}

/** The course from the start to a little beyond the late end of the day, for drawing. */
function courseOf(i: LossForecastInput, startS: number, fitted: FittedLoss, lateS: number | null) {
  const toS = Math.max(i.nowS, Math.min(lateS ?? Infinity, i.nowS + MOST_AHEAD_S / 3)) + 86400;
  return Array.from({ length: COURSE_POINTS + 1 }, (_, k) => {
    const tS = startS + (k * (toS - startS)) / COURSE_POINTS;
    const losses = fitted.likely.map((l) => ({
      value: lossAt(l.course, tS) - missAt(l.known, tS, fitted.error).mean,
      weight: l.weight,
    }));
    const [p10, p50, p90] = quantilesOf(losses, BAND) as [number, number, number];
    return { tS, p10, p50, p90 };
  });
}
