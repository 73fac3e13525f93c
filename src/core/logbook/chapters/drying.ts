import type { Chapter } from '../chapter';
import type { DryingBody, DryingState } from '../kinds/drying';

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
