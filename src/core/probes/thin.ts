import { requirePositive } from '../guard';
import type { Reading } from '../lethality/reading';

/**
 * Reduces a long log for drawing without losing a peak: the log is cut into equal counts and of each cut
 * the lowest and the highest reading are kept, in time order, with the first and the last of the log.
 * @param readings in time order · @param most upper bound of what is kept, ≥ 4
 */
export function thinReadings(readings: readonly Reading[], most: number): Reading[] {
  requirePositive('most', most - 3);
  if (readings.length <= most) return [...readings];
  const cuts = Math.floor((most - 2) / 2);
  const out: Reading[] = [readings[0]!];
  const inner = readings.length - 2;
  for (let k = 0; k < cuts; k += 1) {
    const part = readings.slice(
      1 + Math.floor((k * inner) / cuts),
      1 + Math.floor(((k + 1) * inner) / cuts),
    );
    const low = part.reduce((a, b) => (b.tempC < a.tempC ? b : a));
    const high = part.reduce((a, b) => (b.tempC > a.tempC ? b : a));
    out.push(...(low === high ? [low] : low.tS < high.tS ? [low, high] : [high, low]));
  }
  out.push(readings.at(-1)!);
  return out;
}
