import type { Reading } from '../lethality/reading';

/**
 * A log without peaks (`up`) or dips (`down`) of a single reading: each reading is held to what it and one
 * neighbour show, `max(min(before, it), min(it, after))`. One reading alone never helps. A rise or fall that
 * goes on keeps its values, but for its last one.
 * @param lastStands the last one was read by hand, and stands as it was typed
 * @source morphological opening and closing over two readings, Serra (1982)
 */
export function withoutSinglePeaks(
  readings: readonly Reading[],
  helps: 'up' | 'down',
  lastStands = false,
): Reading[] {
  const low = helps === 'up' ? Math.min : Math.max;
  const high = helps === 'up' ? Math.max : Math.min;
  return readings.map((r, i) => {
    const [before, after] = [readings[i - 1], readings[i + 1]];
    if ((!before && !after) || (lastStands && !after)) return r;
    const a = before ? low(before.tempC, r.tempC) : null;
    const b = after ? low(r.tempC, after.tempC) : null;
    const tempC = a === null ? b! : b === null ? a : high(a, b);
    return tempC === r.tempC ? r : { tS: r.tS, tempC };
  });
}
