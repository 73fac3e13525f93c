import { requirePositive } from '../guard';
import { fromBase, toBase } from '../units/units';

/** A piece is at most this much heavier than it was before: the scale's own step, moisture on a hook. */
const MOST = 1.02;
/** Between two weighings a piece loses less than this, whatever the room; it was another piece, or another unit. */
const LEAST = 0.7;

const fits = (netG: number, lastG: number) => netG <= MOST * lastG && netG >= LEAST * lastG;

/**
 * Whether a weight can be that of a piece that was weighed before: not heavier, and not lighter by more than a third. Where it is
 * odd and the same figure in the other unit of the scale would fit, that one is named.
 * @param netG without its tare, g, > 0 · @param lastG of the same piece at its last weighing, g, > 0
 * @returns null where it fits
 * @throws RangeError naming the weight
 * @example oddPiece(260, 270) // null
 */
export function oddPiece(netG: number, lastG: number): { otherG: number | null } | null {
  requirePositive('netG', netG);
  requirePositive('lastG', lastG);
  if (fits(netG, lastG)) return null;
  const others = [toBase('dose', netG, 'us'), fromBase('dose', netG, 'us')];
  return { otherG: others.find((g) => fits(g, lastG)) ?? null };
}
