/** Pieces of one size in a batch: how many there are, and when their core is expected at its target. */
export type PullGroup = {
  id: string;
  diameterMm: number;
  pieces: number;
  pulled: number;
  /** Epoch s, early, middle and late; null where nobody can say. */
  dueS: readonly [early: number | null, middle: number | null, late: number | null];
  /** Its own probe shows the target. */
  reached: boolean;
};

export type PullRow = PullGroup & {
  left: number;
  stand: 'due' | 'soon' | 'later' | 'unknown' | 'out';
};

/** Said ahead of the earliest end, s. */
const SOON_S = 15 * 60;

/**
 * What comes out when: groups that are due first, then by their middle forecast, thinner before thicker where nobody can say.
 * Due is what has reached its target, or whose middle forecast is past: it is to be measured, never pulled by the clock alone.
 */
export function pullList(groups: readonly PullGroup[], nowS: number): PullRow[] {
  const RANK: Record<PullRow['stand'], number> = { due: 0, soon: 1, later: 2, unknown: 3, out: 4 };
  const rows = groups.map((g): PullRow => {
    const left = Math.max(0, g.pieces - g.pulled);
    const [early, middle] = g.dueS;
    if (left === 0) return { ...g, left, stand: 'out' };
    if (g.reached || (middle !== null && middle <= nowS)) return { ...g, left, stand: 'due' };
    if (middle === null) return { ...g, left, stand: 'unknown' };
    return { ...g, left, stand: (early ?? middle) - nowS <= SOON_S ? 'soon' : 'later' };
  });
  return rows.sort(
    (a, b) =>
      RANK[a.stand] - RANK[b.stand] ||
      (a.dueS[1] ?? Infinity) - (b.dueS[1] ?? Infinity) ||
      a.diameterMm - b.diameterMm,
  );
}
