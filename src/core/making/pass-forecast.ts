import { requireBetween } from '../guard';
import { meatAtC, meatHeatJPerG } from '../heat/meat-heat';
import type { LearnedMachine } from './learned';
import { roomJPerG } from './room-heat';

export type PassInput = {
  /** Of the meat before it, −15 to 30 °C. */
  tempC: number;
  /** What goes through at once, g. */
  massG: number;
  /** Of the room, −5 to 45 °C; a usual workroom where left out. */
  roomC?: number;
  machine: LearnedMachine;
};
/** °C: the middle, and the band in which eight of ten passes lie. */
export type PassForecast = { afterC: number; band: { lowC: number; highC: number } };

/** Eight of ten passes lie within so many standard deviations. */
const EIGHT_OF_TEN = 1.2816;
const COLDEST_C = -15;

/** What the room gives while it goes through: half of it lies on the bench on average. */
const roomGives = ({ tempC, massG, roomC, machine }: PassInput) =>
  roomJPerG({ tempC, roomC, minutes: (machine.minPerKg * massG) / 1000 / 2 });

/**
 * How warm meat comes out of its next pass: what this machine puts into it, and what the room gives while it lies there.
 * @returns °C · @throws RangeError for a temperature out of range
 * @example passForecast({ tempC: 2, massG: 10000, machine: USUAL_MACHINE }).afterC // 4.58
 */
export function passForecast(input: PassInput): PassForecast {
  const heat = meatHeatJPerG(requireBetween('tempC', input.tempC, COLDEST_C, 30));
  const { jPerG, sdJPerG } = input.machine;
  const room = roomGives(input);
  const after = (work: number) => meatAtC(heat + room + Math.max(0, work));
  return {
    afterC: after(jPerG),
    band: {
      lowC: after(jPerG - EIGHT_OF_TEN * sdJPerG),
      highC: after(jPerG + EIGHT_OF_TEN * sdJPerG),
    },
  };
}

/** How cold meat has to be before a pass so that it comes out at a limit, °C; −15 where nothing is cold enough. */
export function beforeFor(limitC: number, input: Omit<PassInput, 'tempC'>): number {
  let [low, high] = [COLDEST_C, Math.min(30, limitC)];
  for (let n = 0; n < 50; n += 1) {
    const middle = (low + high) / 2;
    if (passForecast({ ...input, tempC: middle }).afterC > limitC) high = middle;
    else low = middle;
  }
  return low;
}
