import type { ChillMedium } from '../formula/recipe';
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
  | { kind: 'cure_checked'; weighedId: string; readingG: number; method: CheckMethod }
  | { kind: 'cure_hold_started'; coolerC?: number }
  | { kind: 'cure_hold_ended'; coolerC?: number }
  | { kind: 'step_done'; step: StepName; tempC?: number; weightG?: number }
  | { kind: 'run_started'; houseId: string }
  | { kind: 'stage_started'; stageIndex: number }
  | { kind: 'probe_placed'; channelId: number; what: ReadingPlace; thickest: boolean }
  | { kind: 'probe_removed'; channelId: number; reason: string }
  | { kind: 'reading_logged'; what: ReadingPlace; tempC: number; thickest: boolean }
  | { kind: 'readings_imported'; fileName: string; sha256: string; channels: ImportedChannel[] }
  | { kind: 'ph_logged'; ph: number }
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
  | { kind: 'corrected'; reason: string; replacement: EntryBody | null; happenedS?: number }
  | { kind: 'signed'; verdictSha256: string; evidenceSha256: string; statement: string };

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
