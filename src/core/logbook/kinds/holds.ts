import type { Author } from '../author';

export type DispositionKind =
  'continue' | 'cook_on' | 'rework' | 'destroy' | 'release_on_authority';

export type HoldSource = 'rule' | 'person';

export type HoldsBody =
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
  | { kind: 'hold_lifted'; holdId: string; reason: string };

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

export type HoldsState = {
  holds: Hold[];
  dispositions: Disposition[];
  /** Rework that was asked for and has not been recorded. */
  reworkOpen: boolean;
};
