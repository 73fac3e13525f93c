import type { HeatProduct } from '../heat/product';
import type { HeatStage } from '../heat/simulate-program';
import { QuantityError, requireFinite } from '../guard';
import { fitMap } from './fit';
import { surprises, type ModelError } from './model-error';
import { parametersOf } from './parameters';
import { Course, binChannel, binWidthS, noiseOf, type Binned, type RunReading } from './readings';
import type { RunCase } from './run-case';
import { runModel } from './run-model';
import type { FittedRun, ForecastInput } from './types';
import { MOST_STEPS, Work, orOutOfWork } from './work';

/** What a good model still misses, °C; it hangs together for as long as the piece takes to follow its surface. */
const MODEL_MISS_C = 0.55;
/** First root squared of the answer to a step at a Biot number of 3, and a usual diffusivity, m²/s. */
const ROOT2 = 3.3;
const DIFFUSIVITY_M2_S = 1.15e-7;
/** A mean of many readings is still no better than this, °C. */
const LEAST_NOISE_C = 0.02;
const THIN_BINS = 6;
const THIN_RISE_C = 12;

/** Readings that the best fit misses by more than this on the mean are none of a core in this air, °C. */
const UNEXPLAINED_C = 2.5;

/**
 * Fits the model to a run's own readings: film coefficient, conductivity, diameter, temperature at the
 * start, place of the probe and, where water leaves, how freely. Without core readings it is the nominal
 * product in the air that was measured.
 * @throws RangeError naming the field
 */
export function fitRun(input: ForecastInput): FittedRun {
  const nowS = requireFinite('nowS', input.nowS);
  if (nowS < 0) throw new QuantityError('nowS', nowS, '0 or more');
  if (input.stages.length === 0) throw new QuantityError('stages', 0, 'at least one stage');
  const widthS = binWidthS(nowS);
  const bins = (channel: RunReading['channel']) =>
    binChannel(input.readings, channel, nowS, widthS);
  const [core, air] = [bins('core'), bins('air')];
  const run: RunCase = {
    product: input.product,
    stages: input.stages,
    stageStartsS: input.stageStartsS ?? null,
    air: new Course(air),
    wetBulb: new Course(bins('wetBulb')),
    nowS,
    houseLagS: houseLag(air, input.stages[0]!),
    model: input.model,
    work: new Work(MOST_STEPS.fit),
  };
  const { start, factorsOf } = parametersOf(input);
  const noiseC = noiseOf(input.readings, 'core');
  const observeS = core.map((b) => b.tS);
  const sdC = core.map((b) => Math.hypot(noiseC / Math.sqrt(b.count), LEAST_NOISE_C));
  const error = errorOf(input.product);
  const missesOf = (theta: readonly number[]) =>
    runModel(run, factorsOf(theta), observeS, null).probe.map((t, i) => t - core[i]!.tempC);
  const made = orOutOfWork(() => {
    const found = fitMap(
      (theta) => surprises(missesOf(theta), observeS, sdC, error).surprise,
      start,
    );
    return { found, misses: missesOf(found.theta) };
  });
  const fit = made?.found ?? null;
  const misses = made?.misses ?? new Float64Array(0);
  const riseC =
    core.length > 1
      ? Math.max(...core.map((b) => b.tempC)) - Math.min(...core.map((b) => b.tempC))
      : 0;
  const theta = fit?.theta ?? start;
  const missC =
    misses.length === 0
      ? null
      : Math.sqrt(misses.reduce((sum, m) => sum + m * m, 0) / misses.length);
  const { known } = surprises(misses, misses.length > 0 ? observeS : [], sdC, error);
  const thin = core.length < THIN_BINS || riseC < THIN_RISE_C;
  return {
    run,
    core,
    factorsOf,
    theta,
    /* Misses that are larger than was thought widen everything that was learned. */
    covariance: (fit?.covariance ?? []).map((row) =>
      row.map((v) => v * Math.max(1, fit!.meanSquare)),
    ),
    error: { ...error, sd: error.sd * Math.sqrt(Math.max(1, fit?.meanSquare ?? 1)) },
    known: misses.length > 0 ? known : { ...known, tS: nowS },
    explained: fit !== null && !(missC !== null && missC > UNEXPLAINED_C),
    airRead: air,
    scores: input.house?.scores ?? [],
    basis: {
      madeFrom: core.length === 0 ? 'program' : thin ? 'thin' : 'fitted',
      coreReadings: core.reduce((sum, b) => sum + b.count, 0),
      airReadings: air.reduce((sum, b) => sum + b.count, 0),
      missC,
      factors: factorsOf(theta),
      houseRuns: input.house?.runs ?? 0,
      likeRuns: input.house?.likeRuns ?? null,
      converged: fit?.converged ?? false,
    },
  };
}

/** A house that is this near to its first set point at once has no lag to be seen, °C. */
const AT_ONCE_C = 5;
const LONGEST_LAG_S = 1800;

/** Time in which the air closed 63 % of its way to the first set point, s; 0 where it was there at once. */
function houseLag(air: Binned, first: HeatStage): number {
  const start = air[0];
  if (!start || first.medium !== 'air' || first.airFromC !== undefined) return 0;
  const apart = first.airC - start.tempC;
  if (Math.abs(apart) < AT_ONCE_C) return 0;
  const there = air.find((b) => Math.abs(first.airC - b.tempC) < Math.abs(apart) / Math.E);
  return there ? Math.min(LONGEST_LAG_S, there.tS - start.tS) : 0;
}

/** The model's own error for a piece: a thick one hides a change at its surface for longer. */
function errorOf(product: HeatProduct): ModelError {
  const radiusM = product.diameterMm / 2000;
  return { sd: MODEL_MISS_C, memoryS: radiusM ** 2 / (ROOT2 * DIFFUSIVITY_M2_S) };
}
