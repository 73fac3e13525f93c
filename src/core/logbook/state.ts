import type { AlarmsState } from './kinds/alarms';
import type { BenchState } from './kinds/bench';
import type { CureState } from './kinds/cure';
import type { DryingState } from './kinds/drying';
import type { FinishState } from './kinds/finish';
import type { HangingState } from './kinds/hanging';
import type { HoldsState } from './kinds/holds';
import type { AcidityState } from './kinds/acidity';
import type { MakingState } from './kinds/making';
import type { ProbesState } from './kinds/probes';
import type { RecordState } from './kinds/record';
import type { RunState } from './kinds/run';
import type { SigningState } from './kinds/signing';
import type { WeighingState } from './kinds/weighing';
import type { Withdrawn } from './withdrawn';

export type Phase =
  | 'weighing'
  | 'cure_hold'
  | 'making'
  | 'in_house'
  | 'chilling'
  | 'drying'
  | 'finishing'
  | 'serving'
  | 'raw'
  | 'to_sign'
  | 'released'
  | 'destroyed';

/** What follows from all chapters together. */
type Derived = {
  /** Core logs that corrections took away; see logbook/withdrawn. */
  withdrawn: Withdrawn[];
  /** Highest seq of an entry that bears on each check; see logbook/bearing. */
  touched: Record<string, number>;
  phase: Phase;
  lastS: number;
};

/** What the logbook says of a batch, chapter by chapter, without any judgement. */
export type BatchState = RecordState &
  WeighingState &
  CureState &
  MakingState &
  AcidityState &
  BenchState &
  HangingState &
  RunState &
  ProbesState &
  DryingState &
  FinishState &
  AlarmsState &
  HoldsState &
  SigningState &
  Derived;
