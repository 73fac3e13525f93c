import type { ChillMedium, ProgramStage } from '../formula/recipe';
import type { ReadingPlace } from '../units/plausible';
import type {
  Author,
  CheckMethod,
  DispositionKind,
  HoldSource,
  LotProblem,
  RunEvent,
  StepName,
} from './entry';
import type { Withdrawn } from './withdrawn';

export type Phase =
  | 'weighing'
  | 'cure_hold'
  | 'making'
  | 'in_house'
  | 'chilling'
  | 'finishing'
  | 'to_sign'
  | 'released'
  | 'destroyed';

export type Weighed = {
  entryId: string;
  lineId: string;
  amountG: number;
  targetG: number;
  scaleResolutionG: number;
  nitriteFraction: number | null;
  lotId: string | null;
  /** A person stands by an amount far from its target. */
  confirmed: boolean;
  atS: number;
  by: Author;
};
export type CureCheck = {
  method: CheckMethod;
  /** Somebody else than who weighed it looked. */
  second: boolean;
  readingG: number;
  matches: boolean;
  by: Author;
  atS: number;
};
export type ProbeUse = {
  channelId: number;
  name: string | null;
  what: ReadingPlace;
  thickest: boolean;
  position: string | null;
  fromS: number;
  toS: number | null;
  /** Why it was taken out, and by whom: a decision that sets it aside from then on. */
  removed: { reason: string; by: Author } | null;
};
export type HandReading = {
  what: ReadingPlace;
  tempC: number;
  thickest: boolean;
  piece: string | null;
  tS: number;
  by: Author;
};
export type Hold = {
  id: string;
  source: HoldSource;
  check: string | null;
  reason: string;
  atS: number;
  seq: number;
  by: Author;
  open: boolean;
};
export type Disposition = {
  kind: DispositionKind;
  reason: string;
  authority: string | null;
  /** The checks that were on hold when it was made: nothing else is decided by it. */
  checks: string[];
  by: Author;
  atS: number;
  seq: number;
};

/** An alarm as the record tells it. */
export type AlarmState = {
  key: string;
  alarm: string;
  figures: Record<string, number>;
  raisedS: number;
  clearedS: number | null;
  acknowledged: { by: Author; atS: number; text: string | null } | null;
};

export type AllowedLot = {
  lotId: string | null;
  lineId: string;
  problems: LotProblem[];
  nitriteFraction: number | null;
};

/** What the logbook says of a batch, without any judgement. */
export type BatchState = {
  startedS: number;
  readyByS: number;
  plannedMeatG: number;
  /** Sum of the weighed meat lines once all are weighed, else null. */
  meatG: number | null;
  meatResolutionG: number;
  weighed: Record<string, Weighed>;
  cureCheck: CureCheck | null;
  hold: {
    startS: number;
    /** End of the last stretch; null while one runs. */
    endS: number | null;
    warmestC: number | null;
    /** Stretches in the cooler: more than one when it was ended by mistake and taken up again. */
    stretches: { startS: number; endS: number | null }[];
  } | null;
  steps: Partial<
    Record<
      StepName,
      { atS: number; tempC: number | null; weightG: number | null; without: string[] }
    >
  >;
  run: {
    houseId: string;
    startS: number;
    loadId: string | null;
    sticks: number | null;
    position: string | null;
    programName: string | null;
    /** What it runs by: pinned when the run began, else the recipe's own. */
    program: ProgramStage[];
    stages: { index: number; startS: number; reason: string | null; by: Author }[];
    /** Taken out of the load into stages of its own. */
    moves: { stage: ProgramStage; startS: number; reason: string; by: Author }[];
    extended: { index: number; byS: number; reason: string; by: Author; atS: number }[];
    pauses: { fromS: number; toS: number | null; reason: string; by: Author }[];
    events: { event: RunEvent; text: string | null; atS: number; by: Author }[];
    pulledS: number | null;
    /** Every pull, and when it was taken back to cook on. */
    pulls: { atS: number; againS: number | null }[];
    /** Chills of pulls that were taken back. */
    earlierChill: { medium: ChillMedium; startS: number }[];
  } | null;
  practice: boolean;
  alarms: AlarmState[];
  chill: { medium: ChillMedium; startS: number }[];
  probes: ProbeUse[];
  /** Core logs that corrections took away; see logbook/withdrawn. */
  withdrawn: Withdrawn[];
  hand: HandReading[];
  /** pH of the test piece, in time. */
  ph: { ph: number; tS: number; meterCheckedS: number | null; by: Author }[];
  /** Lots, or labels, that a person decided to use in spite of what is wrong with them. */
  allowedLots: AllowedLot[];
  holds: Hold[];
  dispositions: Disposition[];
  /** Rework that was asked for and has not been recorded. */
  reworkOpen: boolean;
  /** Highest seq of an entry that bears on each check; see logbook/bearing. */
  touched: Record<string, number>;
  /** The signature that stands; a correction recorded after it re-opens the batch. */
  signature: { by: Author; atS: number; entryId: string; stands: boolean } | null;
  phase: Phase;
  lastS: number;
};
