import { meatLagS, type PhForecastInput } from '../fermentation/forecast-ph';
import { USUAL_CULTURES } from '../fermentation/tables/cultures';
import type { CultureCourse, CultureTempo } from '../fermentation/culture';
import { recipeFigures } from '../formula/figures';
import { programOf } from '../route/read';
import type { Reading } from '../lethality/reading';
import type { Case } from '../verdict/check';
import { chamberLog, fermentStart, isCheckedPh, phReachedS } from '../verdict/ferment-view';
import { runStages } from '../run/run-stage';

/** A batch's ferment as its forecast takes it, and what it waits for. */
export type Ferment = {
  input: PhForecastInput;
  tempo: CultureTempo;
  /** pH that ends it, and the pH of the site's rule for its degree-hours. */
  targetPh: number;
  rulePh: number;
  /** When the record shows the rule's pH, as the verdict believes it; null while it does not. */
  ruleReachedS: number | null;
  /** The warmest of the chamber up to now. */
  chamber: Reading[];
  /** When the record shows the pH that ends it; null while it does not. */
  reachedS: number | null;
  /** When it was over: its pH shown, or the next stage begun; null while it goes on. */
  overS: number | null;
};

/** Chambers up to so warm go with a slow or a medium culture; warmer ones with a fast one, °C (usual). */
const TEMPO_C: readonly [number, CultureTempo][] = [
  [24, 'slow'],
  [30, 'medium'],
  [Infinity, 'fast'],
];
/** A chamber has settled after so long; how it was over the last hours is how it will be, s. */
const SETTLED_S = 3 * 3600;
const LATELY_S = 6 * 3600;
const MEAT_FROM_COOLER_C = 6;

/** Tempo of a culture by the chamber that a recipe gives it. @source usual practice of the trade */
export const tempoIn = (airC: number): CultureTempo => TEMPO_C.find(([c]) => airC <= c)![1];

/** pH that ends a recipe's ferment: its stage's own, or the recipe's. */
export function fermentTarget({ recipe, state }: Pick<Case, 'recipe' | 'state'>): number | null {
  if (!recipe.fermentation) return null;
  const program = state.run?.program ?? programOf(recipe);
  const own = program.find((s) => s.kind === 'ferment')?.ends?.ph;
  return own ?? recipe.fermentation.targetPh;
}

/** How warm the chamber is to be: as it has been lately where it has settled, else as it is set, °C. */
function aheadC(chamber: readonly Reading[], setC: number, startS: number, nowS: number): number {
  if (nowS - startS < SETTLED_S) return setC;
  const late = chamber.filter((r) => r.tS >= nowS - LATELY_S);
  if (late.length === 0) return setC;
  return late.reduce((sum, r) => sum + r.tempC, 0) / late.length;
}

/**
 * The ferment of a batch as its record tells it; null before it began, and where the recipe has none.
 * @param culture course of its own culture, where that is known; else one that goes with the chamber
 */
export function fermentOf(c: Case, culture?: CultureCourse): Ferment | null {
  const startS = fermentStart(c);
  const targetPh = fermentTarget(c);
  if (startS === null || targetPh === null) return null;
  const stages = runStages(c.state);
  const k = stages.findIndex((s) => s.startS === startS && s.stage.kind === 'ferment');
  const stage = stages[k]!;
  const nextS = stages[k + 1]?.startS ?? c.state.run!.pulledS;
  const reachedS = phReachedS(c, targetPh);
  const overS = nextS ?? reachedS;
  const untilS = nextS ?? c.nowS;
  const chamber = chamberLog(c, startS, untilS);
  const { airC } = stage.stage;
  const tempo = tempoIn(airC);
  return {
    tempo,
    targetPh,
    ruleReachedS: phReachedS(c),
    rulePh: c.rules.fermentation.body.targetPh,
    chamber,
    reachedS,
    overS,
    input: {
      culture: { ...(culture ?? USUAL_CULTURES[tempo]), floorPh: c.recipe.fermentation!.floorPh },
      dextroseGPerKg: recipeFigures(c.recipe).dextroseGPerKg,
      readings: c.state.ph
        .filter((p) => !p.doubted && p.tS >= startS && p.tS <= untilS)
        .map((p) => ({ tS: p.tS, ph: p.ph, checked: isCheckedPh(p) })),
      chamber,
      ahead: { tempC: aheadC(chamber, airC, startS, untilS) },
      meatStartC: MEAT_FROM_COOLER_C,
      meatLagS: meatLagS(c.recipe.casing.diameterMm),
      startS,
      nowS: untilS,
      targets: [...new Set([c.rules.fermentation.body.targetPh, targetPh])].sort((a, b) => b - a),
    },
  };
}
