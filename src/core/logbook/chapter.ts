import type { Recipe } from '../recipe/recipe';
import type { CheckCode } from './check-code';
import type { EffectiveEntry, EntryBody } from './entry';
import type { BatchState } from './state';

/** Why an entry can't be taken now; the interface has the words. */
export type Refusal =
  | 'in_future'
  | 'before_batch'
  | 'batch_closed'
  | 'batch_destroyed'
  | 'already_started'
  | 'already_weighed'
  | 'unknown_line'
  | 'meat_first'
  | 'check_first_weigh'
  | 'check_stale'
  | 'hold_already_running'
  | 'hold_not_running'
  | 'run_already_started'
  | 'run_not_started'
  | 'stage_already_started'
  | 'unknown_stage'
  | 'already_pulled'
  | 'not_pulled'
  | 'chill_running'
  | 'put_back_late'
  | 'probe_already_placed'
  | 'probe_not_placed'
  | 'no_open_hold'
  | 'not_on_hold'
  | 'no_rework'
  | 'on_hold'
  | 'unknown_target'
  | 'already_signed'
  | 'not_cured'
  | 'cure_first'
  | 'not_fermented'
  | 'already_paused'
  | 'not_paused'
  | 'not_this_stage'
  | 'already_moved'
  | 'unknown_alarm'
  | 'practice'
  | 'slow_without_cure'
  | 'weigh_first'
  | 'other_lot'
  | 'not_this_outcome'
  | 'chill_began'
  | 'already_served'
  | 'not_dried'
  | 'piece_gone'
  | 'no_such_piece'
  | 'already_drying'
  | 'nothing_hung'
  | 'unknown_step'
  | 'unknown_load'
  | 'load_first'
  | 'load_short'
  | 'loads_late'
  | 'already_ticked'
  | 'already_added'
  | 'already_answered'
  | 'no_measured_form'
  | 'other_ingredient'
  | 'spot_twice';

/** All that the logbook knows of one kind of entry. */
export type Kind<B> = {
  /** What it changes in what is known of the batch. */
  apply: (s: BatchState, body: B, e: EffectiveEntry) => void;
  /** Why it does not fit the batch as it stands, or null. */
  refuses?: (s: BatchState, body: B, recipe: Recipe) => Refusal | null;
  /** A fact that people report, and may correct: not a signature, a decision or a correction. */
  correctable?: true;
  /** Making goes no further on hold; looking, logging, cooling and deciding do. */
  stoppedByHold?: true;
  /** Still taken when the record is closed. */
  afterSignature?: true;
  /** Recorded after a signature, it opens the record again. */
  reopens?: true;
  /** The checks that it bears on: new evidence for them, whatever it says. */
  bearsOn: readonly CheckCode[] | ((body: B) => readonly CheckCode[]);
  /** Who may post it: who works on batches, who decides on them. null: nobody; the application records it. */
  posted: 'work' | 'decide' | null;
};

/** A chapter of the logbook: what is known before its first entry, and a row for each of its kinds. */
export type Chapter<B extends EntryBody, S extends Partial<BatchState>> = {
  empty: () => S;
  kinds: { [K in B['kind']]: Kind<Extract<B, { kind: K }>> };
};

/** Checks that rest on the cook's heat, and all that rest on probes. */
export const HEAT = ['come_up', 'uncured_smoke', 'lethality', 'probe_evidence'] as const;
export const PROBES = [...HEAT, 'cooling', 'fermentation', 'cure_hold'] as const;
