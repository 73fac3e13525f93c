import { QuantityError, requireBetween } from '../guard';
import { activityOf } from './water-activity';

/** A piece that dries: its size and what it is made of when it is hung, by mass. */
export type DryingPiece = {
  diameterMm: number;
  waterFraction: number;
  fatFraction: number;
  saltFraction: number;
};

/** Air of a drying room over time. */
export type DryingAir = {
  tS: number;
  airC: number;
  /** Relative humidity, 0-1. */
  rh: number;
};

/**
 * What is not known beforehand, as factors of the usual: how fast water moves inside, how freely it leaves, how much dry lean
 * slows it, and how much less or more has left of late: a rim that shut, a fan that stands.
 */
export type DryingFactors = {
  inside: number;
  outside: number;
  dryness: number;
  lately?: { fromS: number; by: number };
};
export const AS_USUAL: DryingFactors = { inside: 1, outside: 1, dryness: 1 };

/** Mass of water by lean solids, kg/kg: what moves, and what everything of the model hangs on. */
export type Composition = {
  /** Lean solids in a kilogram of what was hung: neither water, fat nor salt. */
  solids: number;
  startX: number;
  saltPerSolids: number;
  fatPerSolids: number;
};

/**
 * Checks a piece once, at the door.
 * @param p 8 to 200 mm; water 0.2 to 0.85, fat 0 to 0.6, salt 0 to 0.1 of its mass
 * @throws RangeError naming the field
 */
export function compositionOf(p: DryingPiece): Composition {
  requireBetween('diameterMm', p.diameterMm, 8, 200);
  requireBetween('waterFraction', p.waterFraction, 0.2, 0.85);
  requireBetween('fatFraction', p.fatFraction, 0, 0.6);
  requireBetween('saltFraction', p.saltFraction, 0, 0.1);
  const solids = 1 - p.waterFraction - p.fatFraction - p.saltFraction;
  if (!(solids > 0.03))
    throw new QuantityError(
      'waterFraction',
      p.waterFraction,
      'less: nothing but water, fat and salt is left',
    );
  return {
    solids,
    startX: p.waterFraction / solids,
    saltPerSolids: p.saltFraction / solids,
    fatPerSolids: p.fatFraction / solids,
  };
}

/**
 * Water activity of a share of the piece with so much water for its solids, estimated.
 * @param x water by lean solids, kg/kg, > 0
 */
export const awAt = (x: number, c: Composition): number =>
  activityOf(Math.max(1e-6, x), c.saltPerSolids);

/**
 * Slope of {@link awAt}.
 * @param x water by lean solids, kg/kg
 */
export function awSlope(x: number, c: Composition): number {
  const d = 1e-3 * Math.max(0.05, x);
  return (awAt(x + d, c) - awAt(x - d, c)) / (2 * d);
}

/** Water that moves in meat at 13 °C when it is wet, m²/s, and how it slows as it dries and cools (usual). */
const DIFFUSION = { wetM2S: 1.5e-10, dryness: 0.6, activationJ: 27_000, atC: 13 };
const GAS_J_MOL_K = 8.314;

/**
 * How much faster water moves at a temperature than at 13 °C, by Arrhenius.
 * @param tempC °C
 */
export const warmth = (tempC: number): number =>
  Math.exp(
    (-DIFFUSION.activationJ / GAS_J_MOL_K) * (1 / (tempC + 273.15) - 1 / (DIFFUSION.atC + 273.15)),
  );

/**
 * Diffusivity of water in cured meat, m²/s: `D = 1.5e-10 · warmth · exp(−0.6·(1/X − 1/X0))`; lean that has dried passes less,
 * which is what makes a hard rim.
 * @param x water by lean solids, kg/kg · @param warm of {@link warmth} · @param f multiplies D and the 0.6
 * @source order of magnitude and activation energy of cured pork, Palmia, Pecoraro & Ferri (1993), Gou et al. (2004); fitted to each batch
 */
export function diffusivity(
  x: number,
  warm: number,
  { startX }: Pick<Composition, 'startX'>,
  f: Pick<DryingFactors, 'inside' | 'dryness'>,
): number {
  const slowed = DIFFUSION.dryness * f.dryness * (1 / Math.max(0.05, x) - 1 / startX);
  return f.inside * DIFFUSION.wetM2S * warm * Math.exp(-slowed);
}
