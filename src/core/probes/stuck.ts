import type { Reading } from '../lethality/reading';
import type { Surrounding } from './bounds';

/** Same to the last digit of any logger, °C. */
const SAME_C = 1e-4;
/** A core this near to what surrounds it may stand still, °C; a logger of whole or half degrees hides more. */
const NEAR_C = 4;
const COARSE_C = 0.45;
const NEAR_COARSE_C = 18;
const LEAST_FOR_STEP = 12;

/** Stretches of the very same value that last longer than flatLineS: indexes from the first repeat to the last. */
export function flatSpans(readings: readonly Reading[], flatLineS: number): [number, number][] {
  const out: [number, number][] = [];
  let start = 0;
  for (let i = 1; i <= readings.length; i += 1) {
    const same =
      i < readings.length && Math.abs(readings[i]!.tempC - readings[start]!.tempC) <= SAME_C;
    if (same) continue;
    if (readings[i - 1]!.tS - readings[start]!.tS > flatLineS) out.push([start + 1, i - 1]);
    start = i;
  }
  return out;
}

/** Smallest step between different readings of a log, °C; null when it hardly ever moves. */
export function stepOf(readings: readonly Reading[]): number | null {
  let least = Infinity;
  let moves = 0;
  for (let i = 1; i < readings.length; i += 1) {
    const d = Math.abs(readings[i]!.tempC - readings[i - 1]!.tempC);
    if (d <= SAME_C) continue;
    moves += 1;
    least = Math.min(least, d);
  }
  return moves < LEAST_FOR_STEP ? null : least;
}

/**
 * Stretches in which a probe is stuck: it stood still where a core could not have. Near the temperature of
 * what surrounds it a core does stand still (a bath, a steam house), and a logger that shows whole degrees
 * hides slow rises.
 */
export function stuckSpans(
  readings: readonly Reading[],
  flatLineS: number,
  around: (tS: number) => Surrounding,
): [number, number][] {
  const step = stepOf(readings);
  const near = step !== null && step >= COARSE_C ? NEAR_COARSE_C : NEAR_C;
  return flatSpans(readings, flatLineS).filter(([from, to]) => {
    const s = around((readings[from]!.tS + readings[to]!.tS) / 2);
    const t = readings[to]!.tempC;
    return s.restC === undefined || Math.abs(s.restC - t) > near;
  });
}
