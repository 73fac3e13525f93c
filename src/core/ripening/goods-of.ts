import { USUAL_CULTURES } from '../fermentation/tables/cultures';
import { recipeFigures } from '../formula/figures';
import { runStages } from '../run/run-stage';
import type { SimGoods } from '../house/simulator/simulated-goods';
import type { Case } from '../verdict/check';
import { lossesOf } from '../verdict/drying-check';
import { dryingPiece } from './drying-of';
import { tempoIn } from './ferment-of';

/**
 * What a simulated chamber needs to know of a batch that ferments or hangs in it: its culture by the chamber that its recipe gives it,
 * the pH read last, and its marked pieces; null where it does neither.
 * @param batch its code
 */
export function goodsOf(
  { recipe, state }: Pick<Case, 'recipe' | 'state'>,
  batch: string,
): SimGoods | null {
  if (!state.run || state.run.pulledS !== null || state.steps.pack) return null;
  const stage = runStages(state).at(-1)?.stage;
  if (stage?.kind !== 'ferment' && stage?.kind !== 'hang') return null;
  const floorPh = recipe.fermentation?.floorPh;
  return {
    batch,
    ferment:
      stage.kind === 'ferment' && floorPh !== undefined
        ? {
            culture: { ...USUAL_CULTURES[tempoIn(stage.airC)], floorPh },
            dextroseGPerKg: recipeFigures(recipe).dextroseGPerKg,
            lastPh: state.ph.findLast((p) => !p.doubted)?.ph ?? null,
          }
        : null,
    pieces: lossesOf(state).map((l) => ({
      name: l.piece,
      startG: l.startG,
      lossFraction: Math.max(0, l.lossFraction),
    })),
    of: dryingPiece(recipe),
  };
}
