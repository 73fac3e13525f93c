import type { PlannedPiece } from './plan';

/** What a plan cannot be sooner than. */
export type Holding =
  /** It waits for somebody to be there: the first attended piece after the longest wait, and when that is, s. */
  | { code: 'hours'; key: string; atS: number }
  /** It waits for nothing: the longest piece of its work, s. */
  | { code: 'work'; key: string; durationS: number };

/** A wait shorter than this is the step of the plan, s. */
const WAITS_S = 600;

/**
 * What sets the earliest time that a plan is ready: working hours that it waits for, or the length of its work.
 * @param pieces in order; @param nowS when it could begin, s
 * @returns null for a plan of nothing
 * @example whatHolds(plan.earliest, nowS) // { code: 'hours', key: 'stuff', atS } : stuffing waits for the morning
 */
export function whatHolds(pieces: readonly PlannedPiece[], nowS: number): Holding | null {
  const waits = pieces.map((p, i) => p.startS - (pieces[i - 1]?.endS ?? nowS));
  const longest = Math.max(...waits, 0);
  if (longest >= WAITS_S) {
    const from = waits.indexOf(longest);
    const attended = pieces.slice(from).find((p) => p.attended);
    if (attended) return { code: 'hours', key: attended.key, atS: attended.startS };
  }
  const [first, ...rest] = pieces;
  if (!first) return null;
  const most = rest.reduce((a, b) => (b.durationS > a.durationS ? b : a), first);
  return { code: 'work', key: most.key, durationS: most.durationS };
}
