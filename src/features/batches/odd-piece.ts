import { oddPiece } from '@/core';
import type { Guard, Offered, Refused } from '@/features/logbook/service';

/** A weight of a marked piece that cannot be the same piece's is asked back once: another piece, or the scale's other unit. */
function oddWeight({ case: c, entry, offer }: Offered): Refused | null {
  const { body } = entry;
  if (body.kind !== 'piece_weighed' || offer.confirmed) return null;
  const { pieceWeights } = c.state;
  const log = Object.hasOwn(pieceWeights, body.piece) ? pieceWeights[body.piece]! : [];
  const before = log.filter((w) => w.tS < entry.happenedS);
  const last = before.reduce<(typeof before)[number] | null>(
    (a, b) => (!a || b.tS > a.tS ? b : a),
    null,
  );
  const netG = body.weightG - (body.tareG ?? 0);
  if (!last || netG <= 0 || last.weightG <= 0) return null;
  const odd = oddPiece(netG, last.weightG);
  return (
    odd && {
      ok: false,
      code: 'odd_weight',
      lastG: last.weightG,
      ...(odd.otherG === null ? {} : { otherG: odd.otherG }),
    }
  );
}

export const oddPieceGuard: Guard = { refuse: (_tx, o) => Promise.resolve(oddWeight(o)) };
