import type { Author } from '../author';

/** Why a marked piece is weighed no more. */
export const PIECE_ENDS = ['eaten', 'fallen', 'unmarked'] as const;

export type PieceEnd = (typeof PIECE_ENDS)[number];

export type DryingBody =
  /** Hung to dry after its chill, in a place of its own. */
  | { kind: 'drying_started'; houseId?: string }
  | {
      kind: 'piece_weighed';
      piece: string;
      weightG: number;
      /** Hook, string or tray that was on the scale with it, g. */
      tareG?: number;
      /** The instrument from which the figure was taken by a press; left out where somebody typed it. */
      shownBy?: string;
    }
  | { kind: 'piece_ended'; piece: string; why: PieceEnd }
  | {
      kind: 'aw_logged';
      aw: number;
      /** When its meter was last checked with its salts, epoch s. */
      meterCheckedS?: number;
    };

export type DryingState = {
  drying: { startS: number; houseId: string | null } | null;
  /** Net weights of marked pieces by name, in time, g. */
  pieceWeights: Record<string, { tS: number; weightG: number; by: Author }[]>;
  /** Marked pieces that are gone, by name. */
  endedPieces: Record<string, { tS: number; why: PieceEnd; by: Author }>;
  aw: { aw: number; tS: number; meterCheckedS: number | null; by: Author }[];
};
