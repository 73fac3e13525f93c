import {
  QuantityError,
  requireBetween,
  requireFinite,
  requireNonNegative,
  requirePositive,
} from '../guard';
import { saturationPa, vapourFromWetBulb } from './psychrometrics';
import type { Surroundings } from './surface';

export type Medium = 'air' | 'water' | 'ice-water';

/** What a stage sets around the product. */
export type MediumSetting = {
  medium: Medium;
  /** Set point of the air or water, °C; what a ramp ends at. */
  airC: number;
  /** Ramp: starts here and reaches airC after rampS, in a straight line. */
  airFromC?: number;
  rampS?: number;
  /** Relative humidity 0-1, or the wet bulb, °C; the wet bulb counts when both are given. */
  rh?: number;
  wetBulbC?: number;
  /** Film coefficient; a usual one of the medium when left out. */
  hWm2K?: number;
  /** Seconds in which the house closes 63 % of the way to its set point; 0 at once. */
  airLagS?: number;
};

/** Usual film coefficients, W/(m²·K): fan house, still bath, stirred ice bath. */
export const USUAL_H: Record<Medium, number> = { air: 20, water: 400, 'ice-water': 300 };

/** Usual humidity where a stage names none: a warm house with open dampers, and a cooler or room. */
const usualRh = (airC: number) => (airC >= 30 ? 0.4 : 0.8);

/** Writes the surroundings at so many seconds into the stage into `out`. */
export type MediumAt = (elapsedS: number, out: Surroundings) => void;

function requireSetting(s: MediumSetting, at: string): void {
  requireBetween(`${at}.airC`, requireFinite(`${at}.airC`, s.airC), -40, 200);
  if (s.airFromC !== undefined) requireBetween(`${at}.airFromC`, s.airFromC, -40, 200);
  if (s.rampS !== undefined) requirePositive(`${at}.rampS`, s.rampS);
  if (s.rh !== undefined) requireBetween(`${at}.rh`, s.rh, 0, 1);
  if (s.wetBulbC !== undefined && !(s.wetBulbC <= s.airC && s.wetBulbC > -40))
    throw new QuantityError(`${at}.wetBulbC`, s.wetBulbC, `at most the air (${s.airC})`);
  if (s.hWm2K !== undefined) requirePositive(`${at}.hWm2K`, s.hWm2K);
  if (s.airLagS !== undefined) requireNonNegative(`${at}.airLagS`, s.airLagS);
  if (s.medium !== 'air' && s.airC > 100)
    throw new QuantityError(`${at}.airC`, s.airC, 'at most 100 in water');
}

/**
 * Vapour pressure of a setting's air at airC, Pa; never above saturation.
 * @param s its wet bulb, °C, else its humidity, [0, 1], else the usual one · @param airC °C
 */
export function vapourOf(s: Pick<MediumSetting, 'rh' | 'wetBulbC'>, airC: number): number {
  if (s.wetBulbC !== undefined) return vapourFromWetBulb(airC, Math.min(s.wetBulbC, airC));
  return (s.rh ?? usualRh(airC)) * saturationPa(airC);
}

/**
 * What surrounds the product through a stage. A ramp is a straight line; a house with a lag follows its
 * set point as `air = set − slope·lag + (start − set0 + slope·lag)·e^(−t/lag)`, the closed form of a
 * first-order lag behind a straight line.
 * @param startAirC air when the stage begins, °C
 * @throws RangeError naming the field
 */
export function mediumOf(s: MediumSetting, startAirC: number, at = 'stage'): MediumAt {
  requireSetting(s, at);
  const rampS = s.rampS !== undefined && s.airFromC !== undefined ? s.rampS : 0;
  const fromC = rampS > 0 ? s.airFromC! : s.airC;
  const slope = rampS > 0 ? (s.airC - fromC) / rampS : 0;
  const lagS = s.medium === 'air' ? (s.airLagS ?? 0) : 0;
  const behind = (set: number, set0: number, rate: number, start: number, t: number) =>
    set - rate * lagS + (start - set0 + rate * lagS) * Math.exp(-t / lagS);
  const airAt = (t: number): number => {
    const set = t < rampS ? fromC + slope * t : s.airC;
    if (lagS === 0) return set;
    if (t < rampS) return behind(set, fromC, slope, startAirC, t);
    const rampEndC = rampS > 0 ? behind(s.airC, fromC, slope, startAirC, rampS) : startAirC;
    return behind(s.airC, s.airC, 0, rampEndC, t - rampS);
  };
  const steady = rampS === 0 && lagS === 0 ? vapourOf(s, s.airC) : null;
  const hWm2K = s.hWm2K ?? USUAL_H[s.medium];
  return (elapsedS, out) => {
    out.mediumC = airAt(elapsedS);
    out.hWm2K = hWm2K;
    out.submerged = s.medium !== 'air';
    out.vapourPa = out.submerged ? 0 : (steady ?? vapourOf(s, out.mediumC));
  };
}
