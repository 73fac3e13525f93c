import type { AlarmsBody } from './chapters/alarms';
import type { BenchBody } from './chapters/bench';
import type { CureBody } from './chapters/cure';
import type { DryingBody } from './chapters/drying';
import type { FinishBody } from './chapters/finish';
import type { HangingBody } from './chapters/hanging';
import type { HoldsBody } from './chapters/holds';
import type { AcidityBody } from './chapters/acidity';
import type { MakingBody } from './chapters/making';
import type { ProbesBody } from './chapters/probes';
import type { RecordBody } from './chapters/record';
import type { RunBody } from './chapters/run';
import type { SigningBody } from './chapters/signing';
import type { WeighingBody } from './chapters/weighing';
import type { PartKind } from './parts';

type AnyBody =
  | RecordBody
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

export type EntryKind = AnyBody['kind'];

export type Author = { id: string; name: string };

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
