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
  const up = helps === 'up';
  return readings.map((r, i) => {
    const before = readings[i - 1];
    const after = readings[i + 1];
    if ((!before && !after) || (lastStands && !after)) return r;
    const t = r.tempC;
    const b = before?.tempC ?? after!.tempC;
    const a = after?.tempC ?? before!.tempC;
    if (up ? t <= b || t <= a : t >= b || t >= a) return r;
    return { tS: r.tS, tempC: up ? Math.max(a, b) : Math.min(a, b) };
  });
}
