import { READY_AHEAD_S, START_BACK_S } from '@/core';

/** A start may lie ahead of our clock by this much, s. */
const AHEAD_S = 120;

/** Why these times cannot be a batch's, by code, or null. */
export function timesRefused(startedS: number, readyByS: number, nowS: number): string | null {
  if (startedS > nowS + AHEAD_S) return 'in_future';
  if (startedS < nowS - START_BACK_S) return 'started_too_long_ago';
  if (readyByS > nowS + READY_AHEAD_S) return 'ready_by_too_far';
  return readyByS <= Math.max(nowS, startedS) ? 'ready_by_past' : null;
}
