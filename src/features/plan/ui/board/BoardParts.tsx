'use client';

import { memo } from 'react';
import type { PlanWait } from '@/core';
import { useShow } from '@/ui/show-context';
import type { PlanNames } from '@/words/plan';
import type { Board } from '../../board';
import type { Head } from './layout';
import { LANE_PX, marksOf, xOf, type Scale } from './scale';

type Common = { scale: Scale; labelPx: number };

/** Days and hours along the top, and the present. */
export const BoardAxis = memo(function BoardAxis(props: Common & { nowS: number }) {
  const { scale, labelPx, nowS } = props;
  const show = useShow();
  const marks = marksOf(scale, show.settings);
  return (
    <div className="relative h-12 border-b border-line text-sm" aria-hidden="true">
      <div
        className="sticky left-0 z-20 h-full border-r border-line bg-sheet"
        style={{ width: labelPx }}
      />
      {marks.map((m) => (
        <span
          key={m.atS}
          className={`absolute top-0 h-full border-l pl-1 whitespace-nowrap ${m.day ? 'border-soft' : 'border-line'}`}
          style={{ left: labelPx + xOf(scale, m.atS) }}
        >
          {m.day && <b className="absolute top-1 left-1 font-semibold">{m.day}</b>}
          <span className="absolute top-6 left-1 text-soft">
            {scale.zoom === 'two_weeks' ? '' : m.hour}
          </span>
        </span>
      ))}
      <span
        className="absolute bottom-0 z-10 -translate-x-1/2 rounded-t bg-bad px-1 text-xs font-semibold text-paper"
        style={{ left: labelPx + xOf(scale, nowS) }}
      >
        {show.time(nowS)}
      </span>
    </div>
  );
});

/** How many are busy, of how many who are there; more than there are is said in words and in a frame. */
export const PeopleLine = memo(function PeopleLine(props: Common & { heads: readonly Head[] }) {
  const { heads, scale, labelPx } = props;
  const show = useShow();
  return (
    <div role="group" aria-label="People" className="relative flex" style={{ height: LANE_PX + 4 }}>
      <div
        className="sticky left-0 z-20 flex shrink-0 items-center border-r border-line bg-sheet px-2 text-sm font-semibold"
        style={{ width: labelPx }}
      >
        People busy
      </div>
      <div className="relative" style={{ width: xOf(scale, scale.endS) }}>
        {heads.map((h) => {
          const over = h.busy > h.there;
          const width = (h.endS - h.startS) * scale.pxPerS;
          const says = `${show.clock(h.startS)} to ${show.time(h.endS)}: ${h.busy} busy of ${h.there} there`;
          return (
            <div
              key={h.startS}
              title={says}
              className={`absolute bottom-0.5 overflow-hidden text-center text-xs leading-6 ${over ? 'border-2 border-bad font-semibold text-bad' : h.busy > 0 ? 'border-t-4 border-accent bg-accent-wash' : 'border-t border-line'}`}
              style={{ left: xOf(scale, h.startS), width, height: LANE_PX - 4 }}
            >
              {width > 26 && (h.busy > 0 || over) ? `${h.busy}/${h.there}` : ''}
            </div>
          );
        })}
      </div>
    </div>
  );
});

/** Who waits in a place for a next step, and takes its room until then: no step, and not moved by itself. */
export const WaitStrip = memo(function WaitStrip(props: {
  wait: PlanWait & { lane: number };
  scale: Scale;
  names: PlanNames;
}) {
  const { wait, scale, names } = props;
  const show = useShow();
  const says = `${names.batch(wait.batch)} waits, ${show.clock(wait.startS)} to ${show.clock(wait.endS)}`;
  return (
    <div
      role="img"
      aria-label={says}
      title={says}
      className="absolute overflow-hidden border-y border-dashed border-soft px-1 text-sm leading-7 whitespace-nowrap text-soft"
      style={{
        left: xOf(scale, wait.startS),
        width: (wait.endS - wait.startS) * scale.pxPerS,
        top: wait.lane * LANE_PX + 2,
        height: LANE_PX - 4,
      }}
    >
      waits: {names.batch(wait.batch)}
    </div>
  );
});

/** Hours in which nobody is there are shaded. */
export const Shade = memo(function Shade(props: Common & { board: Pick<Board, 'there'> }) {
  const { board, scale, labelPx } = props;
  const gaps: { startS: number; endS: number }[] = [];
  let atS = scale.startS;
  for (const t of board.there) {
    if (t.startS > atS) gaps.push({ startS: atS, endS: Math.min(t.startS, scale.endS) });
    atS = Math.max(atS, t.endS);
    if (atS >= scale.endS) break;
  }
  return gaps.map((g) => (
    <div
      key={g.startS}
      aria-hidden="true"
      className="pointer-events-none absolute inset-y-0 bg-ink/5"
      style={{
        left: labelPx + xOf(scale, g.startS),
        width: Math.max(0, (g.endS - g.startS) * scale.pxPerS),
      }}
    />
  ));
});
