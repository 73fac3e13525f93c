import { requireFinite, requirePositive } from '../guard';
import { filmOf, chillStage } from '../run/heat-stage';
import type { HeatProduct } from '../heat/product';
import { simulateProgram, type HeatStage } from '../heat/simulate-program';

/** Films of a room, and of a cooler that is slow, W/(m²·K). Model values. */
const ROOM_FILM = 9;
const SLOW = 0.7;
const DAY_S = 24 * 3600;

export type BloomClock = {
  /** Seconds from now after which it is to be in the cooler; 0: now. */
  moveInS: number;
  /** The rule's clock still runs, or cold product is about to be warm again. */
  because: 'rule' | 'warms';
};

const room = (roomC: number): Pick<HeatStage, 'name' | 'medium' | 'airC' | 'rh' | 'hWm2K'> => ({
  name: 'room',
  medium: 'air',
  airC: roomC,
  rh: 0.6,
  hWm2K: ROOM_FILM,
});

/** Seconds until the core is at a temperature after so long in the room and then in a slow cooler; Infinity where never. */
function coldS(product: HeatProduct, roomC: number, roomS: number, toC: number): number {
  const cooler = chillStage('cooler', DAY_S);
  const cold: HeatStage = {
    name: 'cooler',
    medium: 'air',
    airC: cooler.airC,
    rh: cooler.rh,
    hWm2K: filmOf(cooler) * SLOW,
    endCoreC: toC,
    maxS: 2 * DAY_S,
  };
  const bloom: HeatStage[] = roomS > 0 ? [{ ...room(roomC), endS: roomS }] : [];
  const { stageEnds } = simulateProgram({
    product: { ...product, casingPermeability: 0 },
    stages: [...bloom, cold],
    outputEveryS: DAY_S,
    shells: 20,
  });
  const end = stageEnds.at(-1)!;
  return end.reason === 'core' ? end.tS : Infinity;
}

/** Seconds in the room until a cold core is at a temperature; a day where it takes longer. */
function warmS(product: HeatProduct, roomC: number, toC: number): number {
  if (roomC <= toC) return DAY_S;
  const { stageEnds } = simulateProgram({
    product,
    stages: [{ ...room(roomC), endCoreC: toC, maxS: DAY_S }],
    outputEveryS: DAY_S,
    shells: 20,
  });
  return stageEnds[0]!.tS;
}

/**
 * How long a bloom may stay in a room: while a step of the cooling rule runs, so long that a slow cooler still brings the core
 * down in time; once it is cold, until the core would be above the rule's last temperature again.
 * @param product with its core now as `startC` · @param toC what the open step, or the rule, ends at, °C
 * @param leftS s left of the open step; null when the rule has been kept · @param roomC °C
 * @throws RangeError naming the field
 * @source usual practice of the trade: the bloom must fit inside the cooling rule; conduction as in {@link simulateProgram}
 */
export function bloomClock(input: {
  product: HeatProduct;
  toC: number;
  leftS: number | null;
  roomC: number;
}): BloomClock {
  const { product, leftS } = input;
  const toC = requireFinite('toC', input.toC);
  const roomC = requireFinite('roomC', input.roomC);
  if (leftS === null)
    return {
      moveInS: product.startC >= toC ? 0 : warmS(product, roomC, toC),
      because: 'warms',
    };
  if (leftS <= 0) return { moveInS: 0, because: 'rule' };
  requirePositive('leftS', leftS);
  const fits = (roomS: number) => coldS(product, roomC, roomS, toC) <= leftS;
  if (!fits(0)) return { moveInS: 0, because: 'rule' };
  let [low, high] = [0, leftS];
  for (let i = 0; i < 12 && high - low > 30; i += 1) {
    const middle = (low + high) / 2;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return { moveInS: low, because: 'rule' };
}
