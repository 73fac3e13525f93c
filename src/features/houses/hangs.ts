import { linkG } from '@/core';
import type { Dossier } from '@/features/logbook/service';

/** What hangs of a batch, or is to hang. */
export type Hangs = {
  /** Stuffed as it was weighed, else its share of the meat, g. */
  massG: number;
  /** As its map counts them, else as many as its weight makes; null where a piece has no length. */
  pieces: number | null;
  /** What one of them weighs, so that all of them are the whole, g. */
  pieceG: number | null;
  sticks: number;
};

/** What hangs of a batch: one count for the map, the house and the list of pulls. */
export function hangsOf({ case: { recipe, state } }: Pick<Dossier, 'case'>): Hangs {
  const { diameterMm, pieceMm } = recipe.casing;
  const massG =
    state.steps.stuff?.weightG ?? (state.meatG ?? state.plannedMeatG) * (recipe.ofPart?.share ?? 1);
  const onMap = state.run && state.hung ? state.hung.sticks : null;
  const reckoned =
    pieceMm === undefined ? null : Math.max(1, Math.round(massG / linkG(diameterMm, pieceMm)));
  const counted = onMap?.reduce((n, s) => n + s.pieces, 0);
  const pieces = counted || reckoned;
  return {
    massG,
    pieces,
    pieceG: pieces === null ? null : massG / pieces,
    sticks: onMap?.length ?? state.run?.sticks ?? 0,
  };
}
