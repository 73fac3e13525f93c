import type { AlarmsBody } from './kinds/alarms';
import type { BenchBody } from './kinds/bench';
import type { CureBody } from './kinds/cure';
import type { DryingBody } from './kinds/drying';
import type { FinishBody } from './kinds/finish';
import type { HangingBody } from './kinds/hanging';
import type { HoldsBody } from './kinds/holds';
import type { AcidityBody } from './kinds/acidity';
import type { MakingBody } from './kinds/making';
import type { ProbesBody } from './kinds/probes';
import type { RecordBody } from './kinds/record';
import type { RunBody } from './kinds/run';
import type { SigningBody } from './kinds/signing';
import type { WeighingBody } from './kinds/weighing';
import type { Author } from './author';

/** Another entry, put right or taken back. */
export type CorrectedBody = {
  kind: 'corrected';
  reason: string;
  replacement: FactBody | null;
  happenedS?: number;
};

type AnyBody =
  | RecordBody
  | CorrectedBody
  | WeighingBody
  | CureBody
  | MakingBody
  | AcidityBody
  | BenchBody
  | HangingBody
  | RunBody
  | ProbesBody
  | DryingBody
  | FinishBody
  | AlarmsBody
  | HoldsBody
  | SigningBody;

export type EntryKind = AnyBody['kind'];

/** Kinds that are about one part, where a batch has several; all others are about the whole batter. */
export const PART_KINDS = [
  'step_done',
  'step_ticked',
  'ph_logged',
  'ph_doubted',
  'casing_soaked',
  'links_checked',
  'stuffing_weighed',
  'faults_counted',
  'sound_piece_kept',
  'hung',
  'stick_weighed',
  'surface_touched',
  'smoke_seen',
  'damper_set',
  'bath_seen',
  'weather_noted',
  'run_started',
  'stage_started',
  'stage_extended',
  'run_paused',
  'run_resumed',
  'moved',
  'event_logged',
  'pulled',
  'put_back',
  'chill_started',
  'probe_placed',
  'probe_removed',
  'reading_logged',
  'readings_imported',
  'drying_started',
  'piece_weighed',
  'piece_ended',
  'aw_logged',
  'labelled',
  'served',
  'alarm_raised',
  'alarm_cleared',
  'alarm_told',
  'alarm_acknowledged',
  'held',
  'disposed',
  'rework_done',
  'hold_lifted',
  'signed',
] as const satisfies readonly EntryKind[];
export type PartKind = (typeof PART_KINDS)[number];

/** Where a batch has several parts, an entry may be about one of them. */
type ByPart<B> = B extends { kind: PartKind } ? B & { part?: string } : B;

/** All that can be reported about a batch. Masses g, temperatures °C. */
export type EntryBody = ByPart<AnyBody>;

type AnyFact =
  | Extract<RecordBody, { kind: 'noted' }>
  | Extract<WeighingBody, { kind: 'weighed' }>
  | CureBody
  | MakingBody
  | Extract<AcidityBody, { kind: 'ph_logged' }>
  | Exclude<BenchBody, { kind: 'loads_set' }>
  | HangingBody
  | RunBody
  | ProbesBody
  | DryingBody
  | Exclude<FinishBody, { kind: 'plan_named' }>;

/** Facts that people report: what a correction may put in another one's place. */
export type FactBody = ByPart<AnyFact>;

/** One line of the logbook. Times are epoch seconds. */
export type Entry = {
  id: string;
  /** Place in the chain; entries recorded later have a higher one. */
  seq: number;
  happenedS: number;
  recordedS: number;
  by: Author;
  /** The entry that this one corrects. */
  corrects: string | null;
  body: EntryBody;
};

/** An entry as it counts now, with what was first written if it has been corrected. */
export type EffectiveEntry = Entry & { correctedBy: string | null };
