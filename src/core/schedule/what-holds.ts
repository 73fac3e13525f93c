import { GRID_S, type PlannedPiece } from './plan';
import type { Span } from './working-hours';

/** What a plan cannot be sooner than. */
export type Holding =
  /** It waits for somebody to be there: the attended piece that begins as working hours do, and when that is, s. */
  | { code: 'hours'; key: string; atS: number }
  /** It waits for nobody: the longest piece of its work, s. */
  | { code: 'work'; key: string; durationS: number };

/**
 * What sets the earliest time that a plan is ready: the last attended piece that begins just as working hours do, for
 * what comes after it follows without a wait; else the length of its work. Pieces before it may lie later than they
 * have to, and say nothing.
 * @param pieces of the earliest plan, in order · @param working hours over its time · @param nowS when it could begin, s
 * @returns null for a plan of nothing
 * @example whatHolds([{ key: 'stuff', startS: 7200, endS: 9000, durationS: 1800, attended: true }], [{ startS: 7200, endS: 36000 }], 0) // { code: 'hours', key: 'stuff', atS: 7200 }
 */
export function whatHolds(
  pieces: readonly PlannedPiece[],
  working: readonly Span[],
  nowS: number,
): Holding | null {
  const [first, ...rest] = pieces;
  if (!first) return null;
  const opens = (p: PlannedPiece) =>
    working.some((w) => w.startS > nowS && p.startS >= w.startS && p.startS - w.startS < GRID_S);
  const waits = pieces.findLast((p) => p.attended && opens(p));
  if (waits) return { code: 'hours', key: waits.key, atS: waits.startS };
  const most = rest.reduce((a, b) => (b.durationS > a.durationS ? b : a), first);
  return { code: 'work', key: most.key, durationS: most.durationS };
}
