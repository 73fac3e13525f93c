import { requireNonNegative, requirePositive } from '../guard';

export type Fillings = {
  fillings: number;
  /** Whole pieces from one full cylinder, and from the last. */
  perFilling: number;
  lastPieces: number;
  pieces: number;
  /** What stays in horn and cylinder after the last one and comes out by hand, g. */
  staysG: number;
};

/**
 * How often a stuffer is filled for a batch, and how many whole pieces each filling makes. What stays in horn and
 * cylinder is pushed on by the next filling, and stays once, after the last: `pieces = ⌊(batterG − deadG) / pieceG⌋`.
 * @param capacityG what the cylinder takes, g, > 0 · @param deadG what stays in it, g, ≥ 0
 * @throws RangeError naming the field
 * @source usual practice of the trade, stuffing: horn and cylinder keep 0.3 to 1 kg
 * @example fillings({ batterG: 20_000, pieceG: 500, capacityG: 8000, deadG: 400 }).fillings // 3
 */
export function fillings(input: {
  batterG: number;
  pieceG: number;
  capacityG: number;
  deadG: number;
}): Fillings {
  const batterG = requirePositive('batterG', input.batterG);
  const pieceG = requirePositive('pieceG', input.pieceG);
  const capacityG = requirePositive('capacityG', input.capacityG);
  const deadG = requireNonNegative('deadG', input.deadG);
  const out = Math.max(0, batterG - deadG);
  const count = Math.ceil(batterG / capacityG - 1e-9);
  const pieces = Math.floor(out / pieceG + 1e-9);
  const perFilling = Math.floor(Math.min(capacityG, out) / pieceG + 1e-9);
  const before = Math.floor((capacityG * (count - 1)) / pieceG + 1e-9);
  return {
    fillings: count,
    perFilling,
    lastPieces: Math.max(0, pieces - before),
    pieces,
    staysG: Math.min(deadG, batterG),
  };
}
