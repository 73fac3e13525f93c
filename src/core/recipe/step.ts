import type { ProgramStage, StageEnds } from './stage';

/** Every kind of step that the trade's ways are made of. */
export const STEP_KINDS = [
  'trim',
  'chill',
  'salt_rest',
  'grind',
  'mix',
  'chop',
  'trial_cook',
  'cure_hold',
  'soak_casings',
  'stuff',
  'ferment',
  'surface_dry',
  'smoke',
  'cook',
  'bath',
  'oven',
  'pull',
  'ice_bath',
  'shower',
  'cooler',
  'bloom',
  'dry',
  'freeze',
  'cut',
  'pack',
  'serve',
  'rest',
  'other',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** Where a step happens. */
export const STEP_PLACES = [
  'bench',
  'house',
  'water_bath',
  'oven',
  'chamber',
  'drying_room',
  'room',
  'shower',
  'ice_bath',
  'cooler',
  'freezer',
] as const;
export type StepPlace = (typeof STEP_PLACES)[number];

/** Places with sensors and room of their own, as a site sets them up. */
export const HOUSE_KINDS = [
  'house',
  'water_bath',
  'oven',
  'chamber',
  'drying_room',
  'cooler',
  'freezer',
] as const satisfies readonly StepPlace[];
export type HouseKind = (typeof HOUSE_KINDS)[number];

/** Ways in which a step of one kind is done. */
export const STEP_MANNERS = ['prepare', 'apart', 'together', 'fine_plate', 'test_piece'] as const;
export type StepManner = (typeof STEP_MANNERS)[number];

/** When somebody must be there for a step. */
export const ATTENDANCES = ['throughout', 'start', 'end', 'both_ends', 'nobody'] as const;
export type Attendance = (typeof ATTENDANCES)[number];

/** What surrounds the product in a step with set points. */
export type Climate = Pick<
  ProgramStage,
  'airC' | 'rh' | 'smoke' | 'rampFromC' | 'wetBulbC' | 'damper' | 'fan' | 'wood'
>;

/** One step of a product's way. What is left out is the usual of its kind: see route/facts. Times s. */
export type RouteStep = {
  /** Its own in the recipe, and the same in every version. */
  id: string;
  kind: StepKind;
  /** As people call it; the word of its kind where left out. */
  name?: string;
  manner?: StepManner;
  place?: StepPlace;
  plannedS: number;
  /** It takes at least this long. */
  minS?: number;
  /** It may take at most this long. */
  maxS?: number;
  /** How long the product may wait after it before the next step. */
  waitS?: number;
  attended?: Attendance;
  /** How many people it takes while somebody must be there. */
  people?: number;
  /** What ends it; its planned length where left out. */
  ends?: StageEnds;
  /** Set points, where the place has any. */
  climate?: Climate;
  /** Holes of the plate of each pass through a grinder, mm, in order; one pass of no named plate where left out. */
  plates?: number[];
  /** The meat is measured after it: the verdict asks for the temperature. */
  measured?: true;
};
