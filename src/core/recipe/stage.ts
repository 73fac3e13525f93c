export const STAGE_KINDS = [
  'rest',
  'dry',
  'smoke',
  'cook',
  'bath',
  'chill',
  'ferment',
  'hang',
] as const;
export type StageKind = (typeof STAGE_KINDS)[number];

/** Where a stage happens; the house when a stage does not say. */
export const STAGE_PLACES = [
  'house',
  'water_bath',
  'oven',
  'shower',
  'ice_bath',
  'cooler',
  'room',
] as const;
export type StagePlace = (typeof STAGE_PLACES)[number];

/** What ends a stage; several are joined by whichever comes first or by all. */
export type StageEnds = {
  join: 'any' | 'all';
  afterS?: number;
  coreC?: number;
  /** Decimal reductions gained. */
  logs?: number;
  /** Weight lost since the run began, 0-1. */
  lossFraction?: number;
  /** pH of the batch, as its fermentation shows it. */
  ph?: number;
  /** Surface dry and tacky: a check by hand. */
  dry?: boolean;
};

export type ProgramStage = {
  id: string;
  name: string;
  kind: StageKind;
  airC: number;
  /** Relative humidity set point, 0-1, when the stage has one. */
  rh?: number;
  smoke: boolean;
  /** Planned length, s; also the end when no core target is given. */
  plannedS: number;
  /** Core temperature that ends the stage, °C. */
  endCoreC?: number;
  place?: StagePlace;
  /** The air starts here and reaches airC in a straight line over the planned length, °C. */
  rampFromC?: number;
  /** Wet bulb set point, °C, instead of rh. */
  wetBulbC?: number;
  /** Damper and fan, 0 shut or still to 1 open or full. */
  damper?: number;
  fan?: number;
  wood?: string;
  /** What ends it; without this, endCoreC or else the planned length. */
  ends?: StageEnds;
  /** Longest that it may take, s. */
  maxS?: number;
};
