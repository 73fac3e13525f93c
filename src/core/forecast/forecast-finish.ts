import { QuantityError, requireFinite, requirePositive } from '../guard';
import { fitRun, type Basis, type FittedRun, type ForecastInput } from './fit-run';
import type { Binned } from './readings';
import { runModel, type Target } from './run-model';
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
/** Spread that each change of stage ahead adds: a person goes on when a person comes, s. */
const CHANGE_SD_S = 45;
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
 * the fit, and of the air to come, carried to the time through the model's slope.
 */
export function finishOf(fitted: FittedRun, target: Target): Forecast {
  const none: Forecast = {
    p10S: null,
    p50S: null,
    p90S: null,
    basis: { ...fitted.basis, status: 'unexplained' },
  };
  /* What the core has shown needs no model. */
  const shown = shownS(fitted.core, target);
  if (shown !== null)
    return { p10S: shown, p50S: shown, p90S: shown, basis: { ...fitted.basis, status: 'reached' } };
  if (!fitted.explained) return none;
  const run = { ...fitted.run, work: new Work(MOST_STEPS.target) };
  return orOutOfWork(() => aheadOf({ ...fitted, run }, target)) ?? none;
}

function aheadOf(fitted: FittedRun, target: Target): Forecast {
  const { run, theta, covariance, factorsOf, airAheadC } = fitted;
  const basis = (status: Basis['status']): Basis => ({ ...fitted.basis, status });
  const finish = (t: readonly number[], airC = 0) =>
    runModel(run, { ...factorsOf(t), futureAirC: airC }, [], target).finishS;
  const ahead = runModel(run, factorsOf(theta), [], target);
  const { finishS } = ahead;
  if (finishS === null) return { p10S: null, p50S: null, p90S: null, basis: basis('unreachable') };
  let unsure = false;
  const slope = (at: (h: number) => number | null, h: number): number => {
    const up = at(h);
    if (up !== null) return (up - finishS) / h;
    unsure = true;
    const down = at(-h);
    return down === null ? 0 : (finishS - down) / h;
  };
  const slopes = theta.map((_, p) =>
    slope(
      (h) => finish(theta.map((v, q) => (q === p ? v + h : v))),
      Math.min(1, 0.5 * Math.sqrt(covariance[p]![p]!)),
    ),
  );
  let variance = (slope((h) => finish(theta, h), airAheadC) * airAheadC) ** 2;
  for (let p = 0; p < slopes.length; p += 1)
    for (let q = 0; q < slopes.length; q += 1)
      variance += slopes[p]! * slopes[q]! * covariance[p]![q]!;
  const leftS = Math.max(0, finishS - run.nowS);
  const changes = ahead.stageEndsS.filter((s) => s > run.nowS && s < finishS - 1).length;
  const sdS = Math.sqrt(
    Math.max(0, variance) + changes * CHANGE_SD_S ** 2 + (LEAST_SD.s + LEAST_SD.share * leftS) ** 2,
  );
  const share = leftS > 0 ? sdS / leftS : Infinity;
  const p50S = Math.max(run.nowS, finishS);
  const late = share < 0.6 ? leftS * Math.exp(Z90 * share) : leftS + Z90 * sdS;
  return {
    p10S: Math.max(run.nowS, finishS - Z90 * sdS),
    p50S,
    /* Where a slightly worse house never gets there, the late end stays open. */
    p90S: unsure ? null : run.nowS + late,
    basis: basis('forecast'),
  };
}

/**
 * When a run will meet a target, as a time with a band, from the model fitted to the run's own readings:
 * film coefficient, conductivity, diameter, start and place of the probe start from usual spreads and are
 * refitted to what the probes show; the air is the measured one up to now and the program's from now on,
 * offset as the house has been. The last stage is held until the target is met.
 * @param readings s since the first stage began; noise and gaps are expected
 * @param target core °C (`falling` for a chill), logs, or the end of a stage by its own conditions
 * @returns p10S ≤ p50S ≤ p90S, s since the start; null where it will not come within three days
 * @throws RangeError naming the field
 * @source field standard, forecast with a band; Laplace approximation, MacKay (2003) ch. 27
 */
export function forecastFinish(input: ForecastInput & { target: Target }): Forecast {
  const { target } = input;
  if ('coreC' in target) requireFinite('target.coreC', target.coreC);
  else if ('logs' in target) requirePositive('target.logs', target.logs);
  else if (!input.stages[target.stage])
    throw new QuantityError('target.stage', target.stage, 'one of the stages');
  return finishOf(fitRun(input), target);
}
