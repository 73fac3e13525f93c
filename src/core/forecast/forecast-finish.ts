import { QuantityError, requireFinite, requirePositive } from '../guard';
import { spreadAhead } from './air-ahead';
import { bandScale } from './band-scale';
import { fitRun } from './fit-run';
import type { Basis, FittedRun, ForecastInput } from './types';
import { missAt } from './model-error';
import type { Binned } from './readings';
import { AS_EXPECTED, type Ahead, type Target } from './run-case';
import { runModel } from './run-model';
import { fitSides, sidesOf, together, type Finish } from './sides';
import { MOST_STEPS, Work, orOutOfWork } from './work';

export type Forecast = {
  /** s since the first stage began; null when it will not come. */
  p10S: number | null;
  p50S: number | null;
  p90S: number | null;
  basis: Basis;
};

/** Least spread of any forecast: a reading is due only every so often, and shells are finite. */
const LEAST_SD = { s: 6, share: 0.001 };
/** Spread that each change of stage ahead adds: a person goes on when a person comes, a house follows as it can, s. */
const CHANGE_SD_S = 255;
/** Spread of the film in a stage that has not begun: another fan, another humidity, ln. */
const LATER_LN_H = 0.1;
const Z90 = 1.2815515655446004;

/** Time at which the bins themselves show a core target, or null. */
function shownS(core: Binned, target: Target): number | null {
  if (!('coreC' in target)) return null;
  const { coreC, falling } = target;
  let warmest = -Infinity;
  for (const b of core) {
    if (falling ? warmest > coreC + 1 && b.tempC <= coreC : b.tempC >= coreC) return b.tS;
    warmest = Math.max(warmest, b.tempC);
  }
  return null;
}

/**
 * When a fitted run meets a target, with the band that its remaining uncertainty makes: the covariance of
 * the fit, the model's own error, the air and the stages to come, carried to the time through the model; then
 * scaled by how earlier forecasts of this house and kind of product did.
 */
export function finishOf(fitted: FittedRun, target: Target): Forecast {
  const none: Forecast = {
    p10S: null,
    p50S: null,
    p90S: null,
    basis: { ...fitted.basis, bandRuns: 0, status: 'unexplained' },
  };
  /* What the core has shown needs no model. */
  const shown = shownS(fitted.core, target);
  if (shown !== null)
    return { p10S: shown, p50S: shown, p90S: shown, basis: { ...none.basis, status: 'reached' } };
  if (!fitted.explained) return none;
  const run = { ...fitted.run, work: new Work(MOST_STEPS.target) };
  return orOutOfWork(() => aheadOf({ ...fitted, run }, target)) ?? none;
}

function aheadOf(fitted: FittedRun, target: Target): Forecast {
  const { run, theta, factorsOf } = fitted;
  const near = runModel(run, factorsOf(theta), [], target);
  const miss = missAt(fitted.known, near.finishS ?? run.nowS, fitted.error);
  const runOf = ({
    theta: t = theta,
    coreC = 0,
    ...change
  }: { theta?: readonly number[] } & Partial<Ahead>) =>
    runModel(run, factorsOf(t), [], target, {
      ...AS_EXPECTED,
      ...change,
      coreC: coreC - miss.mean,
    });
  const at: Finish = (change) => runOf(change).finishS;
  const middle = runOf({});
  const { finishS } = middle;
  const leftS = Math.max(0, (finishS ?? Infinity) - run.nowS);
  const { scale, from } = bandScale(fitted.scores, leftS);
  const basis = (status: Basis['status']): Basis => ({ ...fitted.basis, bandRuns: from, status });
  const spread = spreadAhead(fitted, middle.stageEndsS, leftS);
  if (finishS === null) {
    const [airC, laterAirC] = [Z90 * scale * spread.presentC, Z90 * scale * spread.laterC];
    return { p10S: at({ airC, laterAirC }), p50S: null, p90S: null, basis: basis('unreachable') };
  }
  const changes = middle.stageEndsS.filter((s) => s > run.nowS && s < finishS - 1).length;
  const always = Math.hypot(Math.sqrt(changes) * CHANGE_SD_S, LEAST_SD.s + LEAST_SD.share * leftS);
  const { earlyS, lateS } = together([
    { earlyS: always, lateS: always },
    fitSides(fitted, at, finishS),
    sidesOf((sign) => at({ airC: sign * spread.presentC }), finishS),
    sidesOf(
      (sign) => at({ laterAirC: sign * spread.laterC, laterLnH: sign * LATER_LN_H }),
      finishS,
    ),
    sidesOf((sign) => at({ coreC: sign * Math.sqrt(miss.variance) }), finishS),
  ]);
  const p50S = Math.max(run.nowS, finishS);
  return {
    p10S: Math.max(run.nowS, finishS - Z90 * scale * earlyS),
    p50S,
    /* Where a slightly worse house never gets there, the late end stays open. */
    p90S: lateS === null ? null : p50S + lateEnd(leftS, Z90 * scale * lateS),
    basis: basis('forecast'),
  };
}

/** A late side beyond the middle: of what is left, by a factor, as long as it is no great part of it. */
const lateEnd = (leftS: number, sideS: number): number =>
  leftS > 0 && sideS < 0.75 * leftS ? leftS * Math.expm1(sideS / leftS) : sideS;

/**
 * When a run will meet a target, as a time with a band, from the model fitted to the run's own readings:
 * film coefficient, conductivity, diameter, start and place of the probe start from usual spreads and are
 * refitted to what the probes show; the air is the measured one up to now and the program's from now on,
 * offset as the house has been. The last stage is held until the target is met.
 * @param readings s since the first stage began; noise and gaps are expected
 * @param target core °C (`falling` for a chill), logs, or the end of a stage by its own conditions
 * @returns p10S ≤ p50S ≤ p90S, s since the start; null where it will not come within three days
 * @throws RangeError naming the field
 * @source Laplace approximation, MacKay (2003) ch. 27
 */
export function forecastFinish(input: ForecastInput & { target: Target }): Forecast {
  const { target } = input;
  if ('coreC' in target) requireFinite('target.coreC', target.coreC);
  else if ('logs' in target) requirePositive('target.logs', target.logs);
  else if (!input.stages[target.stage])
    throw new QuantityError('target.stage', target.stage, 'one of the stages');
  return finishOf(fitRun(input), target);
}
