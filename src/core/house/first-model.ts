import { requirePositive } from '../guard';

/** What a sausage in the house and the air around it measure, °C. */
export type HouseState = { airC: number; coreC: number; coreThinC: number };

/** Seconds in which the air closes 63 % of its distance to the set point. */
const AIR_TAU_S = 420;
/** A dead fire lets the house drift to the room in about half an hour. */
const OUT_TAU_S = 1800;
const ROOM_C = 16;
/** Water and ice move heat far faster than air: effective film relative to a fan house. */
const MEDIUM_SPEED: Record<string, number> = {
  air: 1,
  bath: 2.6,
  ice_bath: 3,
  shower: 2,
  cooler: 0.55,
};

/**
 * Time constant of a core in a fan house, s: `2100 × (diameterMm / 38)²`, the square law of conduction.
 * @param diameterMm mm, > 0
 * @source first-order stand-in for radial conduction, 38 mm sausage in a fan house about 35 min
 */
export const coreTauS = (diameterMm: number) =>
  2100 * (requirePositive('diameterMm', diameterMm) / 38) ** 2;

const toward = (from: number, to: number, dtS: number, tauS: number) =>
  to + (from - to) * Math.exp(-dtS / tauS);

/**
 * One step of the first, simple house model: air follows the set point, core follows the air, each by
 * a first-order lag. A stand-in for the simulated house and the demo; it judges nothing.
 */
export function stepHouse(
  state: HouseState,
  at: { setC: number; medium: string; diameterMm: number; fireOut?: boolean },
  dtS: number,
): HouseState {
  const inAir = at.medium === 'air';
  const airTarget = inAir && at.fireOut ? ROOM_C : at.setC;
  const airC = inAir
    ? toward(state.airC, airTarget, dtS, at.fireOut ? OUT_TAU_S : AIR_TAU_S)
    : at.setC;
  const tau = coreTauS(at.diameterMm) / (MEDIUM_SPEED[at.medium] ?? 1);
  return {
    airC,
    coreC: toward(state.coreC, airC, dtS, tau),
    coreThinC: toward(state.coreThinC, airC, dtS, tau * 0.8),
  };
}
