import { requireBetween, requirePositive } from '../guard';
import { dropOf, perStick as piecesPerStick } from '../hanging/place';

/** Density of sausage batter, g/cm³ (usual). */
export const BATTER_DENSITY_G_CM3 = 1.05;

/**
 * Batter in a metre of casing, g.
 * @param diameterMm stuffed diameter, mm, > 0
 */
export const gPerMetre = (diameterMm: number) =>
  (BATTER_DENSITY_G_CM3 * Math.PI * (diameterMm / 10) ** 2 * 100) / 4;

/**
 * Casing for a batch: `metres = batterG / (ρ·π·d²/4 per metre) × (1 + wasteFraction)`, ρ 1.05 g/cm³.
 * @param batterG g, > 0 · @param diameterMm stuffed diameter, mm, > 0 · @param wasteFraction [0, 1)
 * @throws RangeError naming the field that is out of its interval
 * @source volume of a cylinder; 38 mm holds 1.19 kg a metre (usual practice of the trade)
 * @example casingLength({ batterG: 1190.8, diameterMm: 38, wasteFraction: 0 }).metres // 1
 */
export function casingLength(input: {
  batterG: number;
  diameterMm: number;
  wasteFraction: number;
}): { metres: number } {
  const batterG = requirePositive('batterG', input.batterG);
  const diameterMm = requirePositive('diameterMm', input.diameterMm);
  const waste = requireBetween('wasteFraction', input.wasteFraction, 0, 1);
  return { metres: (batterG / gPerMetre(diameterMm)) * (1 + waste) };
}

/**
 * Batter that a length of casing takes once its waste is off, g; inverse of {@link casingLength}.
 * @param metres m, > 0 · @param diameterMm stuffed diameter, mm, > 0 · @param wasteFraction [0, 1]
 */
export function batterFromCasing(input: {
  metres: number;
  diameterMm: number;
  wasteFraction: number;
}): number {
  const metres = requirePositive('metres', input.metres);
  const diameterMm = requirePositive('diameterMm', input.diameterMm);
  const waste = requireBetween('wasteFraction', input.wasteFraction, 0, 1);
  return (metres / (1 + waste)) * gPerMetre(diameterMm);
}

/** A house as far as hanging goes: its sticks, and how long a piece may hang. */
export type HangingRoom = {
  sticks: number;
  stickMm: number;
  /** Longest piece that hangs clear, mm. */
  dropMm: number;
  capacityG: number;
};

export type HangingPlan = {
  pieces: number;
  perStick: number;
  sticks: number;
  pieceG: number;
  /** Batter that one full house takes, g. */
  houseTakesG: number;
  fits: boolean;
  /** Why not: longer than the drop, more sticks than there are, heavier than the house carries. */
  problems: ('too_long' | 'too_many_sticks' | 'too_heavy')[];
};

/**
 * Pieces and sticks of a batch, and whether one house takes it.
 * `pieces = ⌈batterG / pieceG⌉`, `perStick = ⌊stickMm / (d·(1 + gap))⌋` (a loop needs two widths).
 * @param batterG g, > 0 · @param diameterMm mm, > 0 · @param pieceMm length of one piece, mm, > 0
 * @throws RangeError naming the field that is out of its interval
 */
export function hangBatch(
  input: { batterG: number; diameterMm: number; pieceMm: number; looped: boolean },
  room: HangingRoom,
): HangingPlan {
  const batterG = requirePositive('batterG', input.batterG);
  const diameterMm = requirePositive('diameterMm', input.diameterMm);
  const pieceMm = requirePositive('pieceMm', input.pieceMm);
  const pieceG = (gPerMetre(diameterMm) * pieceMm) / 1000;
  const pieces = Math.ceil(batterG / pieceG - 1e-9);
  const hung = { diameterMm, pieceMm, looped: input.looped };
  const perStick = piecesPerStick(hung, room.stickMm);
  const sticks = Math.ceil(pieces / perStick);
  const problems: HangingPlan['problems'] = [];
  if (dropOf(hung)! > room.dropMm) problems.push('too_long');
  if (sticks > room.sticks) problems.push('too_many_sticks');
  if (batterG > room.capacityG) problems.push('too_heavy');
  const houseTakesG = Math.min(room.capacityG, room.sticks * perStick * pieceG);
  return { pieces, perStick, sticks, pieceG, houseTakesG, fits: problems.length === 0, problems };
}
