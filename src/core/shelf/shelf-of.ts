import { batterComposition, recipeFigures } from '../formula/figures';
import { estimateAw } from '../drying/water-activity';
import { shelfRuleOf } from '../rules/rule';
import type { Case } from '../verdict/check';
import { isCheckedAw, leastLossOf } from '../verdict/drying-check';
import { isCheckedPh } from '../verdict/ferment-view';
import { moistureProtein } from './moisture-protein';
import { shelfClass, type ShelfClass, type ShelfFigures } from './shelf-class';

/** What a batch is as far as its record tells. */
export type ShelfView = ShelfClass & {
  figures: ShelfFigures;
  /** Of the marked piece that lost least; null where none was weighed twice. */
  lossFraction: number | null;
  /** Estimated, kg/kg; null while nothing of it is known. */
  moistureProtein: number | null;
};

/** What it has lost on the way, 0-1, by its marked pieces; null where none was weighed twice. */
function lossOf(c: Case): number | null {
  const least = leastLossOf(c.state);
  return least === null ? null : Math.min(0.7, Math.max(0, least));
}

/** Water activity of the whole by water, salt and solids of the batter, less what was lost; null without a fat figure. */
function estimated(c: Case, lossFraction: number): number | null {
  const of = batterComposition(c.recipe);
  if (!of) return null;
  const saltG = recipeFigures(c.recipe).saltOfBatter;
  const waterG = Math.max(0.01, of.waterFraction - lossFraction);
  const solidsG = Math.max(0.01, 1 - of.waterFraction - of.fatFraction - saltG);
  return estimateAw({ waterG, saltG, solidsG });
}

/**
 * The class of a batch by the site's rule and the last figures of its meters, with the estimates beside them; null for a recipe that
 * neither ferments nor dries. The last reading counts, not the best one.
 */
export function shelfOf(c: Case): ShelfView | null {
  if (!c.recipe.fermentation && !c.recipe.drying) return null;
  const aw = [...c.state.aw].sort((a, b) => a.tS - b.tS).at(-1);
  const ph = [...c.state.ph].sort((a, b) => a.tS - b.tS).at(-1);
  const loss = lossOf(c);
  const figures: ShelfFigures = {
    aw: aw ? { value: aw.aw, credited: isCheckedAw(aw, c.rules.drying.body.meterMaxAgeS) } : null,
    ph: ph ? { value: ph.ph, credited: isCheckedPh(ph) } : null,
    awEstimate: loss === null ? null : estimated(c, loss),
  };
  return {
    ...shelfClass(figures, shelfRuleOf(c.rules)),
    figures,
    lossFraction: loss,
    moistureProtein: loss === null ? null : moistureProtein(c.recipe, loss),
  };
}
