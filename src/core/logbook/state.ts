import type { AlarmsState } from './chapters/alarms';
import type { BenchState } from './chapters/bench';
import type { CureState } from './chapters/cure';
import type { DryingState } from './chapters/drying';
import type { FinishState } from './chapters/finish';
import type { HangingState } from './chapters/hanging';
import type { HoldsState } from './chapters/holds';
import type { AcidityState } from './chapters/acidity';
import type { MakingState } from './chapters/making';
import type { ProbesState } from './chapters/probes';
import type { RecordState } from './chapters/record';
import type { RunState } from './chapters/run';
import type { SigningState } from './chapters/signing';
import type { WeighingState } from './chapters/weighing';
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
