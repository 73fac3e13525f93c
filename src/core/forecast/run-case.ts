import type { HeatProduct } from '../heat/product';
import type { HeatStage } from '../heat/simulate-program';
import type { LethalityModel } from '../lethality/lethality';
import type { Course } from './readings';
import type { Work } from './work';

/** What is waited for. */
export type Target =
  | { coreC: number; falling?: boolean }
  | { logs: number }
  /** The end of a stage, by its own conditions. */
  | { stage: number };

/** What may differ from the nominal product and house, and is fitted; 1 and 0 are as given. */
export type Factors = {
  h: number;
  conductivity: number;
  diameter: number;
  evaporation: number;
  /** Added to the temperature at the start, °C. */
  startC: number;
  /** How far the probe sits from the core towards a tenth of the radius, squared; 0 at the core. */
  offCentre: number;
  /** Once more on the film coefficient, in the present stage: its fan and its damper are its own. */
  presentH: number;
};

/** What may come otherwise than expected from now on, °C. */
export type Ahead = {
  /** Added to the air, and once more to that of stages yet to begin. */
  airC: number;
  laterAirC: number;
  /** ln of what the film of later stages is multiplied with. */
  laterLnH: number;
  /** Added to the core: what the model is known to miss. */
  coreC: number;
};

export const AS_EXPECTED: Ahead = { airC: 0, laterAirC: 0, laterLnH: 0, coreC: 0 };

export type RunCase = {
  product: HeatProduct;
  stages: readonly HeatStage[];
  /** When each stage that has begun did begin, s; null: the model finds out. */
  stageStartsS: readonly number[] | null;
  air: Course;
  wetBulb: Course;
  nowS: number;
  /** How slowly this house followed its first set point, s; 0 where it was there at once. */
  houseLagS: number;
  model?: LethalityModel;
  /** What is left of the forecast's work. */
  work: Work;
};

/** The stage that runs now, where its start was recorded and others came before it; null otherwise. */
export const presentOf = (c: Pick<RunCase, 'stageStartsS'>): number | null =>
  c.stageStartsS && c.stageStartsS.length > 1 ? c.stageStartsS.length - 1 : null;
