import type { LossForecastInput } from '../drying/forecast-loss';
import type { DryingAir, DryingPiece } from '../drying/piece';
import { CASINGS } from '../recipe/tables/casings';
import { casingFacts } from '../recipe/casing-facts';
import type { Recipe } from '../recipe/recipe';
import { batterComposition, recipeFigures } from '../formula/figures';
import { routeOf } from '../route/adapter';
import type { Case } from '../verdict/check';
import { lossesOf } from '../verdict/drying-check';
import { humidityOf } from '../verdict/humidity-of';
import { filmSpans, underFilm } from './film';

/** What is known of the pieces of a batch that dries. */
export type Drying = {
  targetLoss: number;
  /** Those that lost least, which are judged, first; at most {@link MOST_PIECES}. */
  pieces: { piece: string; input: LossForecastInput }[];
  /** Pieces that were weighed besides. */
  others: number;
  /** Where the humidity of the room comes from. */
  humidity: 'measured' | 'set' | 'usual';
};

/** A drying room of which nothing is known. @source usual practice of the trade */
const USUAL_ROOM = { airC: 13, rh: 0.78 };
const USUAL_BATTER = { fatFraction: 0.22, waterFraction: 0.57 };
/** A wet bulb belongs to an air reading this near, s; the room is seen every so often, s. */
const NEAR_S = 900;
const EVERY_S = 3600;
/** No room is drier for long. */
const DRIEST_RH = 0.3;
const LATELY_S = 3 * 86_400;
/** Forecasts take a second each: no more than these are made. */
export const MOST_PIECES = 8;

/** Air and humidity of the room from its sensors, hourly; empty without a wet bulb. */
const measuredAir = (c: Case, sinceS: number): DryingAir[] =>
  humidityOf(c, { sinceS, nearS: NEAR_S, everyS: EVERY_S }).map(({ tS, airC, rh }) => ({
    tS,
    airC,
    rh: Math.max(DRIEST_RH, rh),
  }));

/** What a piece of a recipe is made of when it is hung, and how freely its casing lets water through. */
export function dryingPiece(recipe: Recipe): DryingPiece & { permeability: number } {
  const { fatFraction, waterFraction } = batterComposition(recipe) ?? USUAL_BATTER;
  const { permeability } = casingFacts(recipe.casing) ?? CASINGS.hog;
  return {
    diameterMm: recipe.casing.diameterMm,
    fatFraction,
    waterFraction,
    saltFraction: recipeFigures(recipe).saltOfBatter,
    permeability,
  };
}

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

/**
 * The marked pieces of a batch as their forecast takes them, in the room's own air where it is measured, else as the step sets it;
 * null where the recipe asks for no loss, or nothing has been weighed.
 */
export function dryingOf(c: Case): Drying | null {
  const targetLoss = c.recipe.drying?.minLossFraction;
  const names = lossesOf(c.state).map((l) => l.piece);
  if (targetLoss === undefined || names.length === 0) return null;
  const step = routeOf(c.recipe).findLast((s) => s.kind === 'dry');
  const set = step?.climate;
  const fromS = Math.min(...names.map((n) => c.state.pieceWeights[n]![0]!.tS));
  const air = measuredAir(c, fromS);
  /* What is packed dries no more. */
  const nowS = Math.min(c.nowS, c.state.steps.pack?.atS ?? c.nowS);
  const late = air.filter((a) => a.tS >= nowS - LATELY_S && a.tS <= nowS);
  const spans = filmSpans(c.state, nowS);
  const usual = { airC: set?.airC ?? USUAL_ROOM.airC, rh: set?.rh ?? USUAL_ROOM.rh };
  const ahead =
    late.length > 0
      ? { airC: mean(late.map((a) => a.airC)), rh: mean(late.map((a) => a.rh)) }
      : usual;
  const { permeability, ...piece } = dryingPiece(c.recipe);
  return {
    targetLoss,
    humidity: late.length > 0 ? 'measured' : set?.rh !== undefined ? 'set' : 'usual',
    others: Math.max(0, names.length - MOST_PIECES),
    pieces: names.slice(0, MOST_PIECES).map((name) => ({
      piece: name,
      input: {
        piece,
        permeability,
        weighings: c.state.pieceWeights[name]!.map(({ tS, weightG }) => ({ tS, weightG })),
        air: underFilm(air, spans, { fromS, nowS, usual }),
        ahead,
        nowS,
        targetLoss,
      },
    })),
  };
}
