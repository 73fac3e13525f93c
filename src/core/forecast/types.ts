import type { HeatProduct } from '../heat/product';
import type { HeatStage } from '../heat/simulate-program';
import type { LethalityModel } from '../lethality/lethality';
import type { BandScore } from './band-scale';
import type { HouseTaught } from './house-prior';
import type { KnownMiss, ModelError } from './model-error';
import type { Binned, RunReading } from './readings';
import type { Factors, RunCase } from './run-case';

/**
 * What a house has taught in earlier runs: factor on the film coefficient and its spread (ln), and how its
 * forecasts of this kind of product did.
 */
export type HousePrior = HouseTaught & { scores?: readonly BandScore[] };

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
  factors: Factors;
  /** Earlier runs of the house that it began from. */
  houseRuns: number;
  /** So many of them in weather like this; null where nobody noted it. */
  likeRuns: number | null;
  /** Earlier forecasts with about as much time left that the width of the band rests on. */
  bandRuns: number;
  converged: boolean;
};

/** What a fit rests on, before anything is asked of it. */
export type FitBasis = Omit<Basis, 'status' | 'bandRuns'>;

export type FittedRun = {
  run: RunCase;
  core: Binned;
  factorsOf: (theta: readonly number[]) => Factors;
  theta: number[];
  /** Standard deviation of each parameter and their correlation, as a covariance. */
  covariance: number[][];
  basis: FitBasis;
  scores: readonly BandScore[];
  /** Air as it was read, by bins. */
  airRead: Binned;
  /** The model's own error, and what is known of it now. */
  error: ModelError;
  known: KnownMiss;
  /** The model can have made these readings. */
  explained: boolean;
};
