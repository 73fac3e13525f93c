import type { HeatProduct } from '../heat/product';
import type { HeatStage } from '../heat/simulate-program';
import { QuantityError, requireFinite } from '../guard';
import type { LethalityModel } from '../lethality/lethality';
import { fitMap } from './fit';
import { Course, binChannel, binWidthS, noiseOf, type Binned, type RunReading } from './readings';
import { runModel, type Factors, type RunCase } from './run-model';
import { MOST_STEPS, Work, orOutOfWork } from './work';

/** What a house has taught in earlier runs: factor on the film coefficient and its spread (ln). */
export type HousePrior = { h: number; lnSd: number; runs: number };

export type ForecastInput = {
  product: HeatProduct;
  stages: readonly HeatStage[];
  /** Seconds since the first stage began; in any order. */
  readings: readonly RunReading[];
  nowS: number;
  /** When each stage that has begun did begin, s; left out, the model finds out. */
  stageStartsS?: readonly number[];
  house?: HousePrior;
  model?: LethalityModel;
};

export type Basis = {
  /**
   * reached: the core has shown it. forecast: ahead. unreachable: not within three days as things are.
   * unexplained: no usual product in this air reads like that, so nothing is said.
   */
  status: 'reached' | 'forecast' | 'unreachable' | 'unexplained';
  /** program: no core reading yet. thin: few, or little of the rise. fitted: this run's own probes. */
  madeFrom: 'program' | 'thin' | 'fitted';
  coreReadings: number;
  airReadings: number;
  /** Spread of the fit's misses, °C; null without core readings. */
  missC: number | null;
  factors: Omit<Factors, 'futureAirC'>;
  /** Earlier runs of the house that it began from. */
  houseRuns: number;
  converged: boolean;
};

/** Spread of what is not known before the run: natural logarithms, °C for the last two. */
const PRIOR = {
  h: 0.2,
  conductivity: 0.07,
  diameter: 0.035,
  evaporation: 0.25,
  startC: 0.5,
  offCentre: 0.35,
} as const;
/** What a good model still misses in one bin, °C: it keeps long logs from being believed too much. */
const MODEL_MISS_C = 0.04;
/** Spread of the mean air to come, °C: where the house shows how it holds a set point at least this, else so much. */
const AIR_AHEAD_C = { least: 0.05, few: 0.3, unread: 0.8 };
const AIR_WINDOW_S = 1800;
const LEAP_C = 2;
const THIN_BINS = 6;
const THIN_RISE_C = 12;

export type FittedRun = {
  run: RunCase;
  core: Binned;
  factorsOf: (theta: readonly number[]) => Factors;
  theta: number[];
  /** Standard deviation of each parameter and their correlation, as a covariance. */
  covariance: number[][];
  basis: Omit<Basis, 'status'>;
  airAheadC: number;
  /** The model can have made these readings. */
  explained: boolean;
};

/** As far as a parameter may lie from what is usual, in its spreads. */
const FAR = 4;
/** Readings that the best fit misses by more than this on the mean are none of a core in this air, °C. */
const UNEXPLAINED_C = 2.5;
const NO_THETA = [0, 0, 0, 0, 0.6, 0, 0];

function factorsWith(house: HousePrior | undefined): (theta: readonly number[]) => Factors {
  const lnH = house ? Math.log(house.h) : 0;
  const sdH = house?.lnSd ?? PRIOR.h;
  return (theta) =>
    factorsAt(
      theta.map((v) => Math.min(FAR, Math.max(-FAR, v))),
      lnH,
      sdH,
    );
}

const factorsAt = (t: readonly number[], lnH: number, sdH: number): Factors => ({
  h: Math.exp(lnH + sdH * t[0]!),
  conductivity: Math.exp(PRIOR.conductivity * t[1]!),
  diameter: Math.exp(PRIOR.diameter * t[2]!),
  startC: PRIOR.startC * t[3]!,
  offCentre: Math.abs(PRIOR.offCentre * t[4]!),
  evaporation: t[5] === undefined ? 1 : Math.exp(PRIOR.evaporation * t[5]),
  futureAirC: t[6] ?? 0,
});

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
  const factorsOf = factorsWith(input.house);
  const noiseC = noiseOf(input.readings, 'core');
  const observeS = core.map((b) => b.tS);
  const sdC = core.map((b) => Math.hypot(noiseC / Math.sqrt(b.count), MODEL_MISS_C));
  const missesOf = (theta: readonly number[]) =>
    runModel(run, factorsOf(theta), observeS, null).probe.map((t, i) => t - core[i]!.tempC);
  const evaporates = (input.product.casingPermeability ?? 1) > 0;
  const start = new Array<number>(evaporates ? 6 : 5).fill(0);
  start[4] = 0.6;
  const made = orOutOfWork(() => {
    const found = fitMap((theta) => missesOf(theta).map((m, i) => m / sdC[i]!), start);
    return { found, misses: missesOf(found.theta) };
  });
  const fit = made?.found ?? null;
  const misses = made?.misses ?? new Float64Array(0);
  const riseC =
    core.length > 1
      ? Math.max(...core.map((b) => b.tempC)) - Math.min(...core.map((b) => b.tempC))
      : 0;
  const theta = fit?.theta ?? NO_THETA.slice(0, start.length);
  const { futureAirC: _, ...factors } = factorsOf(theta);
  const missC =
    misses.length === 0
      ? null
      : Math.sqrt(misses.reduce((sum, m) => sum + m * m, 0) / misses.length);
  const thin = core.length < THIN_BINS || riseC < THIN_RISE_C;
  return {
    run,
    core,
    factorsOf,
    theta,
    /* Misses that are larger than the noise, or hang together, widen everything that was learned. */
    covariance: (fit?.covariance ?? []).map((row) =>
      row.map((v) => v * Math.max(1, fit!.meanSquare) * hangTogether(misses)),
    ),
    explained: fit !== null && !(missC !== null && missC > UNEXPLAINED_C),
    airAheadC: airAhead(air, nowS),
    basis: {
      madeFrom: core.length === 0 ? 'program' : thin ? 'thin' : 'fitted',
      coreReadings: core.reduce((sum, b) => sum + b.count, 0),
      airReadings: air.reduce((sum, b) => sum + b.count, 0),
      missC,
      factors,
      houseRuns: input.house?.runs ?? 0,
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

/** How much less a row of misses says because neighbours are alike: (1 + ρ)/(1 − ρ) of their lag-1 correlation. */
function hangTogether(misses: Float64Array): number {
  if (misses.length < 8) return 1;
  let together = 0;
  let alone = 0;
  for (let i = 0; i < misses.length; i += 1) {
    alone += misses[i]! ** 2;
    if (i > 0) together += misses[i]! * misses[i - 1]!;
  }
  const rho = Math.min(0.9, Math.max(0, together / Math.max(alone, 1e-12) - 0.1));
  return (1 + rho) / (1 - rho);
}

/** Spread of the mean air to come, °C, from how far the house has swung lately. */
function airAhead(air: Binned, nowS: number): number {
  const window = air.filter((b) => b.tS > nowS - AIR_WINDOW_S);
  if (window.length === 0) return AIR_AHEAD_C.unread;
  /* A new set point is no swing: only what came after the last leap counts. */
  const leap = window.findLastIndex(
    (b, i) => i > 0 && Math.abs(b.tempC - window[i - 1]!.tempC) > LEAP_C,
  );
  const recent = window.slice(Math.max(0, leap));
  if (recent.length < 3) return AIR_AHEAD_C.few;
  const mean = recent.reduce((sum, b) => sum + b.tempC, 0) / recent.length;
  const swing = Math.sqrt(
    recent.reduce((sum, b) => sum + (b.tempC - mean) ** 2, 0) / (recent.length - 1),
  );
  return Math.max(AIR_AHEAD_C.least, swing / 2);
}
