import { requireFinite } from '../guard';
import type { HeatProduct } from '../heat/product';
import { simulateProgram, type HeatStage } from '../heat/simulate-program';

/** How long a pulled piece is watched, s, and how brisk air around it is, W/(m²·K). Model values. */
const WATCH_S = 2400;
const LONGEST_S = 24 * 3600;
const ROOM = { medium: 'air', rh: 0.6 } as const;

export type CarryOver = {
  /** So much the core rises after the pull, °C, at least 0. */
  riseC: number;
  /** The same in a brisk draught and in still air. */
  band: [least: number, most: number];
  /** When it is at its highest, s after the pull. */
  peakS: number;
};

/**
 * How much a core rises after it is pulled into a room: the piece is heated in its last stage until the core is there, then
 * left in air. A small piece hardly rises; a large one by some degrees.
 * @param stage the air or water that it is pulled out of · @param pullC core at the pull, °C · @param roomC the room, °C
 * @returns null where the stage does not bring the core there
 * @throws RangeError naming the field
 * @source conduction as in {@link simulateProgram}; usual practice of the trade: large pieces rise by 1 to 3 °C
 */
export function carryOver(input: {
  product: HeatProduct;
  stage: HeatStage;
  pullC: number;
  roomC: number;
}): CarryOver | null {
  const pullC = requireFinite('pullC', input.pullC);
  const roomC = requireFinite('roomC', input.roomC);
  const { airC, medium, rh, wetBulbC, hWm2K } = input.stage;
  const heat: HeatStage = {
    name: 'heat',
    medium,
    airC,
    rh,
    wetBulbC,
    hWm2K,
    endCoreC: pullC,
    maxS: LONGEST_S,
  };
  const peakOf = (film: number) => {
    const { samples, stageEnds } = simulateProgram({
      product: input.product,
      stages: [heat, { name: 'room', ...ROOM, airC: roomC, hWm2K: film, endS: WATCH_S }],
      outputEveryS: 30,
      shells: 24,
    });
    const [pulled] = stageEnds;
    if (pulled!.reason !== 'core') return null;
    const after = samples.filter((s) => s.tS >= pulled!.tS);
    const top = after.reduce((a, b) => (b.coreC > a.coreC ? b : a), after[0]!);
    return { riseC: Math.max(0, top.coreC - pullC), peakS: top.tS - pulled!.tS };
  };
  const usual = peakOf(10);
  if (!usual) return null;
  const [brisk, still] = [peakOf(25)!, peakOf(6)!];
  return { ...usual, band: [brisk.riseC, still.riseC] };
}
