import { requireBetween } from '../guard';

/** A usual workroom, °C. */
export const USUAL_ROOM_C = 18;
/**
 * What a room that is 1 °C warmer gives each gram in a minute, J: meat spread 4 cm deep at 2 °C warms by 0.15 °C a minute in a
 * room of 20 °C, with 3.4 J/gK (usual).
 */
const J_PER_G_K_MIN = (0.15 * 3.4) / 18;

/**
 * Heat that meat on the bench takes from its room, J/g; negative in a room that is colder.
 * @param input °C, −5 to 45 for the room; minutes ≥ 0 · @source usual practice of the trade: 0.1-0.2 °C a minute at 20 °C, twice that at 32
 */
export function roomJPerG(input: { tempC: number; roomC?: number; minutes: number }): number {
  const roomC = requireBetween('roomC', input.roomC ?? USUAL_ROOM_C, -5, 45);
  return J_PER_G_K_MIN * (roomC - input.tempC) * Math.max(0, input.minutes);
}
