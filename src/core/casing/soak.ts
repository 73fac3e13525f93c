import type { Soak } from '../recipe/tables/casings';
import { requireFinite } from '../guard';

const MIN = 60;

export type SoakPlan = {
  /** When it goes into the water so that it is just ready, and the earliest that is usual, epoch s. */
  startS: number;
  earliestS: number;
  usableS: number;
  /** From here on it is weak, when put in at startS. */
  weakS: number;
  /** It is still sound when the last of it is used. */
  lasts: boolean;
};

/**
 * When a casing goes into its water, worked back from the start of the stuffing: `startS = stuffS − minMin`, so that it
 * is ready then; `earliestS = stuffS − maxMin`; weak from `startS + weakFromMin`.
 * @param stuffS start of the stuffing, epoch s · @param stuffEndS its end, ≥ stuffS
 * @throws RangeError naming the field
 * @source usual practice of the trade: soak times
 * @example soakPlan({ minMin: 30, maxMin: 60, waterC: 32, weakFromMin: 180, add: null }, 7200, 9000).startS // 5400
 */
export function soakPlan(soak: Soak, stuffS: number, stuffEndS: number): SoakPlan {
  requireFinite('stuffS', stuffS);
  requireFinite('stuffEndS', stuffEndS);
  const startS = stuffS - soak.minMin * MIN;
  const weakS = startS + soak.weakFromMin * MIN;
  return {
    startS,
    earliestS: stuffS - soak.maxMin * MIN,
    usableS: stuffS,
    weakS,
    lasts: stuffEndS <= weakS,
  };
}

export const SOAK_STANDS = ['soaking', 'usable', 'weak'] as const;
export type SoakStand = (typeof SOAK_STANDS)[number];

/**
 * How a casing stands that has been in its water since a time.
 * @returns usable from startS + minMin (both included), weak from startS + weakFromMin
 * @source as {@link soakPlan}
 */
export function soakStand(
  soak: Soak,
  startS: number,
  nowS: number,
): { stand: SoakStand; usableS: number; weakS: number } {
  const usableS = startS + soak.minMin * MIN;
  const weakS = startS + soak.weakFromMin * MIN;
  const stand = nowS < usableS ? 'soaking' : nowS < weakS ? 'usable' : 'weak';
  return { stand, usableS, weakS };
}
