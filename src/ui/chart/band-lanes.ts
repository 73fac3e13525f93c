/** Width of a letter of a chart's labels, px. */
const LETTER_PX = 6.6;
const GAP_PX = 10;

export type NamedBand = { name: string; from: number; to: number };
export type BandLane = {
  /** Line of labels from the top, 0 the first. */
  lane: number;
  anchor: 'start' | 'end';
};

/**
 * Where the names of neighbouring bands stand so that none covers another: each at the start of its band, a line lower
 * where the one before it is too long; at its end where it would leave the chart.
 * @param from left edge of the chart, in the unit of the bands
 * @param to its right edge
 * @param widthPx how wide the chart is drawn
 */
export function bandLanes(
  bands: readonly NamedBand[],
  from: number,
  to: number,
  widthPx: number,
): BandLane[] {
  const px = (x: number) => ((x - from) / (to - from)) * widthPx;
  const taken: { left: number; right: number }[][] = [];
  return bands.map((b) => {
    const long = b.name.length * LETTER_PX;
    const anchor = px(b.from) + long > widthPx ? 'end' : 'start';
    const left = anchor === 'start' ? px(b.from) : px(b.from) - long;
    const right = left + long + GAP_PX;
    const free = (lane: number) =>
      (taken[lane] ?? []).every((t) => right <= t.left || left >= t.right);
    let lane = 0;
    while (!free(lane)) lane += 1;
    (taken[lane] ??= []).push({ left, right });
    return { lane, anchor };
  });
}
