import type { Reading } from '../lethality/reading';

/** The air moves by at least this within the window, and the probe keeps this near to it all the while, °C. */
const MOVES_C = 8;
const KEEPS_C = 2;
/** Once it is known that a probe shows the air, it does so as long as it is this near, °C. */
const NEAR_C = 4;
const NEAR_S = 300;

/** Air nearest in time to each reading, °C; infinite where it was silent. Both in time order. */
function besideOf(readings: readonly Reading[], air: readonly Reading[]): Float64Array {
  const out = new Float64Array(readings.length).fill(Infinity);
  let k = 0;
  for (let i = 0; i < readings.length; i += 1) {
    const { tS } = readings[i]!;
    while (k < air.length - 1 && Math.abs(air[k + 1]!.tS - tS) <= Math.abs(air[k]!.tS - tS)) k += 1;
    if (Math.abs(air[k]!.tS - tS) <= NEAR_S) out[i] = air[k]!.tempC;
  }
  return out;
}

/**
 * Stretches in which a core probe follows one air channel as no core can: the air moved by eight degrees within
 * the time in which the quickest core of this diameter closes 63 % of a distance, and the probe was with it from
 * beginning to end. Such a core would have been left behind by at least three.
 * @param windowS the quickest core's time, s
 * @returns index pairs, first and last reading that show the air
 */
export function tracksAirSpans(
  readings: readonly Reading[],
  air: readonly Reading[],
  windowS: number,
): [number, number][] {
  if (air.length === 0) return [];
  const beside = besideOf(readings, air);
  const off = readings.map((r, i) => Math.abs(r.tempC - beside[i]!));
  const out: [number, number][] = [];
  let from = 0;
  for (let i = 0; i < readings.length; i += 1) {
    if (off[i]! > KEEPS_C) {
      from = i + 1;
      continue;
    }
    while (readings[i]!.tS - readings[from]!.tS > windowS) from += 1;
    if (Math.abs(beside[i]! - beside[from]!) < MOVES_C) continue;
    let [first, last] = [from, i];
    while (first > 0 && off[first - 1]! <= NEAR_C) first -= 1;
    while (last < readings.length - 1 && off[last + 1]! <= NEAR_C) last += 1;
    out.push([first, last]);
    i = last;
    from = last + 1;
  }
  return out;
}
