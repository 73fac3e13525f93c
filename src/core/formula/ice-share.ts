import { requireBetween, requireNonNegative, requirePositive } from '../guard';
import { LATENT_ICE, meatHeatJPerG } from '../heat/meat-heat';

/** Heat capacities, J/gK. */
const CP_WATER = 4.18;
const CP_ICE = 2.05;
/** Heat that a bowl takes from the room, J per g of batter, K and minute: 0.5 m² at 15 W/m²K on 30 kg (usual). */
const ROOM_J_PER_G_K_MIN = 0.015;

/**
 * Heat from the room during a chop, J/g: `0.015 × (roomC − mean of meatC and targetC) × minutes`; to be
 * added to the machine's work. Negative in a room colder than the batter.
 * @param minutes length of the chop, ≥ 0 · valid for bowls of about 20 to 60 kg
 */
export function roomHeatJPerG(input: {
  roomC: number;
  meatC: number;
  targetC: number;
  minutes: number;
}): number {
  const minutes = requireNonNegative('minutes', input.minutes);
  const roomC = requireBetween('roomC', input.roomC, -5, 45);
  return ROOM_J_PER_G_K_MIN * (roomC - (input.meatC + input.targetC) / 2) * minutes;
}

export type IceInput = {
  meatG: number;
  /** [-20, 40] °C; below −1.5 °C the ice in the meat is counted. */
  meatC: number;
  /** The recipe's whole water, ice included, g, ≥ 0. */
  waterG: number;
  /** [0, 40] °C. */
  waterC: number;
  /** [-30, 0] °C. */
  iceC: number;
  /** Highest end of the chop, (0, 20] °C. */
  targetC: number;
  /** Heat that the machine puts into each gram of meat and water, J/g, [0, 200]. */
  workJPerG: number;
};

export type IceShare = { iceG: number; waterG: number; finalC: number; feasible: boolean };

/** End of the chop for a given ice mass, by bisection of the heat balance; ice may be left over at 0 °C. */
function endC(i: IceInput, iceG: number): number {
  const waterHeat = (tempC: number) =>
    tempC >= 0 ? CP_WATER * tempC : CP_ICE * tempC - LATENT_ICE;
  const start =
    i.meatG * meatHeatJPerG(i.meatC) +
    (i.waterG - iceG) * CP_WATER * i.waterC +
    iceG * (CP_ICE * i.iceC - LATENT_ICE) +
    i.workJPerG * (i.meatG + i.waterG);
  const heatAt = (tempC: number) => i.meatG * meatHeatJPerG(tempC) + i.waterG * waterHeat(tempC);
  let [low, high] = [-20, 40];
  for (let n = 0; n < 60; n += 1) {
    const middle = (low + high) / 2;
    if (heatAt(middle) <= start) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * How much of the recipe's water must be ice so that the chop ends at `targetC`. Heat balance:
 * `meat·[h(meatC) − h(t)] + (W − ice)·cw·(waterC − t) + work = ice·(334 − ci·iceC + cw·t)`, solved for ice.
 * @param meatG g, > 0 · @param waterG all of the recipe's water, g, ≥ 0 · @param waterC 0 to 40 °C · @param iceC −30 to 0 °C · @param targetC (0, 20] °C
 * @param workJPerG of the machine, 0 to 200 J/g
 * @returns iceG and waterG with iceG + waterG = the water given; finalC what that ends at; feasible
 * false when even all the water as ice ends warmer than targetC (then iceG is all of it)
 * @throws RangeError naming the field that is out of its interval
 * Valid for meat from −20 to 40 °C. Heat from the room is not in here: see {@link roomHeatJPerG}. @source heat balance; latent heat of ice 334 kJ/kg
 * @example iceShare({ meatG: 10000, meatC: 2, waterG: 2500, waterC: 10, iceC: -5, targetC: 12, workJPerG: 40 }) // { iceG: 360.3, waterG: 2139.7, feasible: true }
 */
export function iceShare(input: IceInput): IceShare {
  requirePositive('meatG', input.meatG);
  requireNonNegative('waterG', input.waterG);
  requireBetween('waterC', input.waterC, 0, 40);
  requireBetween('iceC', input.iceC, -30, 0);
  requirePositive('targetC', input.targetC);
  requireBetween('targetC', input.targetC, 0, 20);
  requireBetween('workJPerG', input.workJPerG, 0, 200);
  const { meatG, meatC, waterG, waterC, iceC, targetC, workJPerG } = input;
  const surplus =
    meatG * (meatHeatJPerG(meatC) - meatHeatJPerG(targetC)) +
    waterG * CP_WATER * (waterC - targetC) +
    workJPerG * (meatG + waterG);
  const perGram = CP_WATER * waterC + LATENT_ICE - CP_ICE * iceC;
  const wantedG = surplus / perGram;
  const iceG = Math.min(waterG, Math.max(0, wantedG));
  const feasible = wantedG <= waterG;
  const finalC = endC(input, iceG);
  return { iceG, waterG: waterG - iceG, finalC, feasible };
}
