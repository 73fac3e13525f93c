import type { Line } from './layout';
import { LANE_PX, xOf, type Scale } from './scale';
import { GAP_PX } from './use-move';

/** The way of one batch through the lines of the board: from the end of each step to the beginning of the next. */
export function Thread({
  lines,
  batch,
  scale,
  labelPx,
}: {
  lines: readonly Line[];
  batch: string;
  scale: Scale;
  labelPx: number;
}) {
  let top = 0;
  const points = new Map<string, { startS: number; endS: number; y: number }>();
  for (const l of lines) {
    for (const b of l.bars)
      /* A step that takes several machines stands on several lines: it is drawn to the first. */
      if (b.batch === batch && !points.has(b.key))
        points.set(b.key, {
          startS: b.startS,
          endS: b.endS,
          y: top + (b.lane + 0.5) * LANE_PX + 2,
        });
    top += l.lanes * LANE_PX + GAP_PX;
  }
  const way = [...points.values()].sort((a, b) => a.startS - b.startS || a.endS - b.endS);
  const x = (s: number) => labelPx + xOf(scale, s);
  return (
    <svg
      aria-hidden="true"
      className="pointer-events-none absolute inset-0 text-accent"
      width={labelPx + xOf(scale, scale.endS)}
      height={top}
    >
      {way.slice(1).map((to, i) => {
        const from = way[i]!;
        const [x1, x2] = [x(Math.min(from.endS, to.startS)), x(to.startS)];
        return (
          <path
            key={`${to.startS} ${to.y}`}
            d={`M${x1} ${from.y} C${x1 + 14} ${from.y} ${x2 - 14} ${to.y} ${x2} ${to.y}`}
            fill="none"
            stroke="currentColor"
            strokeWidth="2"
          />
        );
      })}
    </svg>
  );
}
