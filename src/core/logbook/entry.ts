import type { ChillMedium, ProgramStage } from '../formula/recipe';
import type { ReadingPlace } from '../units/plausible';

export type StepName = 'grind' | 'mix' | 'stuff' | 'surface_dry' | 'bloom' | 'pack';
export type CheckMethod = 'second_person' | 'reentered_alone';
export type DispositionKind =
  'continue' | 'cook_on' | 'rework' | 'destroy' | 'release_on_authority';
/** Why a lot may not be weighed into a batch without a recorded decision. */
export const LOT_PROBLEMS = [
  'past_use_by',
  'wrong_strength',
  'wrong_ingredient',
  'other_owner',
] as const;
export type LotProblem = (typeof LOT_PROBLEMS)[number];
export type HoldSource = 'rule' | 'person';

/** What happens at a house besides stages and readings. */
export const RUN_EVENTS = [
  'fuel',
  'door_open',
  'rotated',
  'wood_added',
  'smoke_out',
  'probe_moved',
] as const;
export type RunEvent = (typeof RUN_EVENTS)[number];

export type ImportedChannel = {
  channelId: number;
  name: string;
  what: ReadingPlace;
  thickest: boolean;
};

/** All that can be reported about a batch. Masses g, temperatures °C. */
export type EntryBody =
  | {
      kind: 'batch_started';
      plannedMeatG: number;
      readyByS: number;
      recipeVersionId: string;
      recipeSha256: string;
      rules: { id: string; sha256: string }[];
      /** Made for practice: it can never be released. */
      practice?: true;
      carriesOver?: string;
    }
  | {
      kind: 'weighed';
      lineId: string;
      amountG: number;
      scaleId: string;
      scaleResolutionG: number;
      targetG: number;
      nitriteFraction?: number;
      lot?: string;
      lotId?: string;
      /** A person was asked about an amount far from its target and stands by it. */
      confirmed?: true;
    }
  | {
      kind: 'lot_allowed';
      /** null: not a lot of the stores but the label of what is at hand. */
      lotId: string | null;
      lineId: string;
      problems: LotProblem[];
      /** The strength that was allowed, when it differs from the recipe's. */
      nitriteFraction?: number;
      reason: string;
    }
  | {
      kind: 'cure_checked';
      weighedId: string;
      readingG: number;
      method: CheckMethod;
      /** Scale of the second look, g a division; the first one's when left out. */
      scaleResolutionG?: number;
    }
  | { kind: 'cure_hold_started'; coolerC?: number }
  | { kind: 'cure_hold_ended'; coolerC?: number }
  | {
      kind: 'step_done';
      step: StepName;
      tempC?: number;
      weightG?: number;
      /** Lines of the recipe that a person decided to leave out of what is stuffed. */
      without?: string[];
    }
  | {
      kind: 'run_started';
      houseId: string;
      /** The load that it hangs in together with others. */
      loadId?: string;
      /** The stages that it runs by; the recipe's own when left out. */
      program?: { name: string; versionId: string | null; stages: ProgramStage[] };
      sticks?: number;
      position?: string;
    }
  | { kind: 'stage_started'; stageIndex: number; reason?: string }
  | { kind: 'stage_extended'; stageIndex: number; byS: number; reason: string }
  | { kind: 'run_paused'; reason: string }
  | { kind: 'run_resumed' }
  /** Out of the load into something of its own, such as a bath, while the rest goes on. */
  | { kind: 'moved'; stage: ProgramStage; reason: string }
  | { kind: 'event_logged'; event: RunEvent; text?: string }
  | { kind: 'alarm_raised'; alarm: string; key: string; figures: Record<string, number> }
  | { kind: 'alarm_cleared'; key: string }
  | { kind: 'alarm_acknowledged'; key: string; text?: string }
  | {
      kind: 'probe_placed';
      channelId: number;
      what: ReadingPlace;
      thickest: boolean;
      position?: string;
    }
  | { kind: 'probe_removed'; channelId: number; reason: string }
  | {
      kind: 'reading_logged';
      what: ReadingPlace;
      tempC: number;
      thickest: boolean;
      /** The piece that it was taken in, where there is more than one. */
      piece?: string;
    }
  | { kind: 'readings_imported'; fileName: string; sha256: string; channels: ImportedChannel[] }
  | {
      kind: 'ph_logged';
      ph: number;
      /** When its meter was last checked in buffers, epoch s. */
      meterCheckedS?: number;
    }
  | { kind: 'pulled' }
  | { kind: 'chill_started'; medium: ChillMedium }
  | { kind: 'noted'; text: string }
  | { kind: 'held'; source: HoldSource; check?: string; reason: string }
  | {
      kind: 'disposed';
      disposition: DispositionKind;
      reason: string;
      authority?: string;
      checks: string[];
    }
  /** What a disposition asked for has been done. */
  | { kind: 'rework_done'; text: string }
  /** A hold whose cause was a slip that has been corrected. */
  | { kind: 'hold_lifted'; holdId: string; reason: string }
  | { kind: 'corrected'; reason: string; replacement: EntryBody | null; happenedS?: number }
  | {
      kind: 'signed';
      verdictSha256: string;
      evidenceSha256: string;
      statement: string;
      /** Which judgement gave the verdict; 1 where it does not say. */
      judgement?: number;
    };

export type EntryKind = EntryBody['kind'];

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
