import type { Chapter } from '../chapter';
import type { Author } from '../entry';

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

/** Drying: the weights of marked pieces, and the water activity at its end. */
export const drying: Chapter<DryingBody, DryingState> = {
  empty: () => ({ drying: null, pieceWeights: {}, endedPieces: {}, aw: [] }),
  kinds: {
    drying_started: {
      apply: (s, b, e) => {
        s.drying = { startS: e.happenedS, houseId: b.houseId ?? null };
      },
      refuses: (s, _b, r) => {
        if (!r.drying) return 'not_dried';
        if (s.run?.pulledS == null) return 'not_pulled';
        return s.drying ? 'already_drying' : null;
      },
      correctable: true,
      stoppedByHold: true,
      bearsOn: ['drying', 'cooling'],
      posted: 'work',
    },
    piece_weighed: {
      apply: (s, b, e) => {
        const net = { tS: e.happenedS, weightG: b.weightG - (b.tareG ?? 0), by: e.by };
        /* Own ones only: a piece may be called like anything. */
        if (!Object.hasOwn(s.pieceWeights, b.piece)) s.pieceWeights[b.piece] = [];
        s.pieceWeights[b.piece]!.push(net);
      },
      refuses: (s, b, r) =>
        !r.drying ? 'not_dried' : Object.hasOwn(s.endedPieces, b.piece) ? 'piece_gone' : null,
      correctable: true,
      bearsOn: ['drying'],
      posted: 'work',
    },
    piece_ended: {
      apply: (s, { piece, why }, e) => {
        s.endedPieces[piece] = { tS: e.happenedS, why, by: e.by };
      },
      refuses: (s, b) =>
        Object.hasOwn(s.endedPieces, b.piece)
          ? 'piece_gone'
          : Object.hasOwn(s.pieceWeights, b.piece)
            ? null
            : 'no_such_piece',
      correctable: true,
      bearsOn: ['drying'],
      posted: 'work',
    },
    aw_logged: {
      apply: (s, b, e) => {
        s.aw.push({ aw: b.aw, tS: e.happenedS, meterCheckedS: b.meterCheckedS ?? null, by: e.by });
      },
      refuses: (_s, _b, r) => (r.drying ? null : 'not_dried'),
      correctable: true,
      bearsOn: ['drying'],
      posted: 'work',
    },
  },
};
