import { QuantityError, requireBetween, requireNonNegative, requirePositive } from '../guard';
import { MoistCylinder } from './moist-cylinder';
import { AS_USUAL, awAt, type DryingAir, type DryingFactors, type DryingPiece } from './piece';

export type DryingInput = {
  piece: DryingPiece;
  /** Air over time, times rising, at least one; straight between, the ends hold. */
  air: readonly DryingAir[];
  startS: number;
  untilS: number;
  /** Ends earlier, once so much is lost, (0, 1). */
  untilLoss?: number;
  /** Film coefficient of the room's air, W/(m²·K), 1 to 60; 3 where nobody moves it much (usual). */
  filmWm2K?: number;
  /** Of the casing: 0 passes nothing, 1 as a wet surface. */
  permeability: number;
  factors?: DryingFactors;
};

export type DryingSample = {
  tS: number;
  lossFraction: number;
  /** Estimated water activity at the casing, in the middle and of the whole. */
  rimAw: number;
  coreAw: number;
  meanAw: number;
  /** Water of the rim for that of the whole, 0-1: low is hard. */
  rimShare: number;
};

export type DryingCourse = { samples: DryingSample[]; lossS: number | null };

/** Steps grow from minutes, while the casing settles, to hours. */
const STEP_S = { first: 300, most: 14_400, by: 1.3 };
/** A room's air is looked at this often at least, s. */
const SAMPLES = 400;
/** No piece is followed for longer, days. */
export const MOST_DAYS = 250;
const USUAL_FILM = 3;

/**
 * Air of a room at a time, straight between what was seen.
 * @param air times rising, s, °C, humidity 0 to 1 · @param tS s · @param from where it was looked at last; moved on
 */
export function airAt(air: readonly DryingAir[], tS: number, from: { i: number }): DryingAir {
  while (from.i < air.length - 1 && air[from.i + 1]!.tS <= tS) from.i += 1;
  const [a, b] = [air[from.i]!, air[from.i + 1]];
  if (!b || tS <= a.tS) return a;
  const share = (tS - a.tS) / (b.tS - a.tS);
  return { tS, airC: a.airC + share * (b.airC - a.airC), rh: a.rh + share * (b.rh - a.rh) };
}

function requireInput(i: DryingInput): void {
  if (i.air.length === 0) throw new QuantityError('air', 0, 'at least one reading');
  for (const a of i.air) {
    requireBetween('airC', a.airC, -5, 45);
    requireBetween('rh', a.rh, 0.2, 1);
  }
  if (!(i.untilS >= i.startS)) throw new QuantityError('untilS', i.untilS, 'at or after startS');
  if (!(i.untilS - i.startS <= MOST_DAYS * 86400))
    throw new QuantityError('untilS', i.untilS, `within ${MOST_DAYS} days`);
  if (i.untilLoss !== undefined) requireBetween('untilLoss', i.untilLoss, 0.001, 0.8);
  if (i.filmWm2K !== undefined) requireBetween('filmWm2K', i.filmWm2K, 1, 60);
  requireBetween('permeability', i.permeability, 0, 1);
  if (i.factors) {
    requirePositive('factors.inside', i.factors.inside);
    requirePositive('factors.outside', i.factors.outside);
    requireNonNegative('factors.dryness', i.factors.dryness);
  }
}

/**
 * How a hung piece loses water: radial diffusion in a cylinder that shrinks, its casing against the room's vapour pressure, see
 * {@link MoistCylinder}. As warm as its air throughout; ends, the load around it and the fat that runs are left out.
 * @param piece as {@link compositionOf} · @param air at least one, times rising, s, °C, humidity 0 to 1 · @param startS, untilS s · @param permeability of the casing, 0 to 1
 * @returns samples from `startS` to `untilS` (or to `untilLoss`), times rising, and when `untilLoss` is met, s or null
 * @throws RangeError naming the field
 * Range: −5 to 45 °C, 20 to 100 % humidity, up to 250 days. Drying begins with what is hung: a loss before is another start.
 * @source Crank (1975) ch. 5, 7.3; Lewis analogy; checked against the series for constant diffusivity
 * @example simulateDrying({ piece: { diameterMm: 60, waterFraction: 0.56, fatFraction: 0.22, saltFraction: 0.027 }, air: [{ tS: 0, airC: 13, rh: 0.78 }], startS: 0, untilS: 28 * 86400, permeability: 0.6 }).samples.at(-1)!.lossFraction // 0.36
 */
export function simulateDrying(input: DryingInput): DryingCourse {
  requireInput(input);
  const { piece, air, startS, untilS, untilLoss, permeability } = input;
  const film = (input.filmWm2K ?? USUAL_FILM) * permeability;
  const factors = input.factors ?? AS_USUAL;
  const { fromS: lateS, by: lateBy } = factors.lately ?? { fromS: Infinity, by: 1 };
  const cylinder = new MoistCylinder(piece, factors, film);
  const of = cylinder.composition;
  const sample = (tS: number): DryingSample => ({
    tS,
    lossFraction: cylinder.lossFraction,
    rimAw: awAt(cylinder.rimX, of),
    coreAw: awAt(cylinder.x[0]!, of),
    meanAw: awAt(cylinder.meanX, of),
    rimShare: Math.min(1, cylinder.rimX / cylinder.meanX),
  });
  const samples = [sample(startS)];
  const everyS = (untilS - startS) / SAMPLES;
  const place = { i: 0 };
  let [tS, stepS, before] = [startS, STEP_S.first, 0];
  while (tS < untilS) {
    const dtS = Math.min(stepS, untilS - tS);
    const now = airAt(air, tS + dtS / 2, place);
    cylinder.stay(dtS, now.airC, now.rh, tS >= lateS ? lateBy : 1);
    tS += dtS;
    stepS = Math.min(STEP_S.most, stepS * STEP_S.by);
    const loss = cylinder.lossFraction;
    if (untilLoss !== undefined && loss >= untilLoss) {
      samples.push(sample(tS));
      const share = loss > before ? (untilLoss - before) / (loss - before) : 1;
      return { samples, lossS: tS - dtS * (1 - share) };
    }
    before = loss;
    if (tS - samples.at(-1)!.tS >= everyS || tS >= untilS) samples.push(sample(tS));
  }
  return { samples, lossS: null };
}
