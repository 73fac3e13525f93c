/** People on duty together from when to when, clock seconds. */
export type DutySpan = { startS: number; endS: number; people: number };

/**
 * What several batches need and not all can have at once. `sum`: amounts at one time add up to at most the capacity, as
 * kilograms in a cooler. `same_run`: one run at a time; who hangs together starts together, under the same key, and nobody
 * enters before the last is out, as in a house.
 */
export type PlanResource = { id: string; capacity: number; shared: 'sum' | 'same_run' };

/** One of `anyOf` is taken for the whole step; `amounts`: as the resource itself counts it, where they count differently. */
export type PlanUse = {
  anyOf: string[];
  amount: number;
  together?: string;
  amounts?: Record<string, number>;
};
/** A wait of more than `freeS` takes one of these places, of those that add up, from its beginning to its end. */
export type WaitUse = { anyOf: string[]; amount: number; freeS: number };
/** People for a part of a step, s from its beginning; rounded outwards to the grid. */
export type Visit = { fromS: number; toS: number; people: number };
export type PlanStep = {
  id: string;
  durationS: number;
  /** Needed from its first to its last moment. */
  people: number;
  /** When somebody comes to it besides: to load, to look, to pull. */
  visits?: Visit[];
  uses: PlanUse[];
  /** The next step begins at most so long after this one ends, s; 0: at once; Infinity: whenever. */
  maxWaitAfterS: number;
  /** What a wait after it takes from its end to the next step. */
  waits?: WaitUse;
};
export type PlanBatch = {
  id: string;
  readyByS: number;
  weight: number;
  /** Not before, clock seconds. */
  releaseS?: number;
  steps: PlanStep[];
};

/** A step that stays where it is: it runs, or somebody pinned it. Nothing is asked of it; the others go round it. */
export type FixedStep = {
  batch: string;
  step: string;
  startS: number;
  uses?: string[];
  waitsIn?: string;
};
export type TakenUse = { resource: string; amount: number };
export type PlacedStep = {
  batch: string;
  step: string;
  startS: number;
  endS: number;
  uses: TakenUse[];
  /** Where it waits after that, if that takes room. */
  waitsIn?: string;
};

export type PlanLimits = {
  /** How long is searched, ms. */
  timeMs: number;
  /** Rounds of the search at most; with these alone, and no time that runs out, a seed gives the same plan always. */
  rounds?: number;
  seed?: number;
  /** What moving one step of `previous` weighs against lateness, s. */
  moveCostS?: number;
  /** Milliseconds of any clock; that of the machine when left out. */
  clock?: () => number;
  /** Told of the best plan so far; true stops the search. */
  onProgress?: (best: {
    weightedLatenessS: number;
    spanS: number;
    round: number;
  }) => boolean | void;
};

export type PlanInput = {
  nowS: number;
  /** Nothing ends later than so long from now, s. */
  horizonS: number;
  spans: DutySpan[];
  resources: PlanResource[];
  batches: PlanBatch[];
  fixed?: FixedStep[];
  previous?: PlacedStep[];
  limits: PlanLimits;
};

/** Why a batch is late: a resource that others have, people, or nothing but its own way. */
export type WaitsFor = { kind: 'resource'; id: string } | { kind: 'people' } | { kind: 'itself' };

export type BatchPlan = {
  /** `infeasible`: those named in `unplaced` have no place within the horizon. */
  status: 'ok' | 'infeasible';
  steps: PlacedStep[];
  unplaced: string[];
  /** Σ weight × seconds after ready-by. */
  weightedLatenessS: number;
  /** Σ last end − first start. */
  spanS: number;
  /** Runs of places that take one run at a time: how often a fire is lit. */
  runs: number;
  /** No plan has a weighted lateness below this. */
  lowerBoundS: number;
  /** No other plan is better, by lateness and then by span. */
  proven: boolean;
  /** Steps of `previous` that begin at another time or in another place. */
  moved: number;
  /** Why who is late is, and who has no place, Infinity late, has none. */
  because: { batch: string; lateS: number; waitsFor: WaitsFor }[];
};

export type PlanTroubleCode =
  /** Not the batch's steps in order, or not as long as they are. */
  | 'not_its_steps'
  | 'not_its_length'
  | 'off_the_grid'
  /** It was pinned, or runs, somewhere else. */
  | 'moved_though_fixed'
  | 'in_the_past'
  | 'before_release'
  | 'after_horizon'
  | 'before_the_one_before'
  | 'waits_too_long'
  | 'wrong_place'
  | 'nobody_there'
  | 'too_full'
  /** There is not enough room where it waits for its next step. */
  | 'no_room_to_wait'
  /** Another program runs there then, or the last of another load is not out yet. */
  | 'place_taken';

/** What a plan breaks, at a step. */
export type PlanTrouble = {
  code: PlanTroubleCode;
  batch: string;
  step: string;
  /** The place that it is about. */
  resource?: string;
  /** The other batch that it is about. */
  other?: string;
  /** What it asks for and what there is: seconds, amounts or people, as the code says. */
  asks?: number;
  limit?: number;
};
