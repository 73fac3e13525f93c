'use client';

import { useDraggable } from '@dnd-kit/core';
import { Check, Pin, Play } from 'lucide-react';
import { memo } from 'react';
import type { Stretch } from '../../drawn';
import type { Bar } from './layout';
import { LANE_PX } from './scale';

type Props = {
  bar: Bar;
  /** Of this line: one bar may stand on several. */
  line: string;
  left: number;
  width: number;
  pxPerS: number;
  name: string;
  title: string;
  stretches: readonly Stretch[];
  says: string;
  tabbable: boolean;
  selected: boolean;
  faint: boolean;
  fixed: boolean;
  onSelect: (bar: Bar) => void;
};

const EDGE = {
  done: 'border-dashed opacity-60',
  running: 'border-2 border-ink',
  planned: 'border-soft',
} as const;

/** A step on the board: its stretches in their tints, its state by border and sign. It is dragged, or moved with the keys. */
export const BarButton = memo(function BarButton(props: Props) {
  const { bar, line, left, width, pxPerS, name, title, stretches, says, fixed } = props;
  const { setNodeRef, listeners, attributes } = useDraggable({
    id: `${line} ${bar.key}`,
    disabled: fixed,
    data: { bar, line },
  });
  const { 'aria-roledescription': role, 'aria-describedby': how } = attributes;
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...(fixed ? {} : { ...listeners, 'aria-roledescription': role, 'aria-describedby': how })}
      data-bar={bar.key}
      data-batch={bar.batch}
      tabIndex={props.tabbable ? 0 : -1}
      aria-label={says}
      aria-pressed={props.selected}
      onClick={() => props.onSelect(bar)}
      onFocus={() => props.onSelect(bar)}
      className={`absolute flex touch-none items-center overflow-hidden rounded border bg-sheet text-left text-sm whitespace-nowrap ${EDGE[bar.state]} ${props.selected ? 'z-10 outline-3 outline-accent' : ''} ${props.faint ? 'opacity-60' : ''} ${fixed ? '' : 'cursor-grab'}`}
      style={{ left, width: Math.max(3, width), top: bar.lane * LANE_PX + 2, height: LANE_PX - 4 }}
    >
      {stretches.map((s) => (
        <span
          key={s.fromS}
          aria-hidden="true"
          className="absolute inset-y-0"
          style={{
            left: s.fromS * pxPerS,
            width: (s.toS - s.fromS) * pxPerS,
            background: `var(${s.tint})`,
          }}
        />
      ))}
      <span className="relative flex min-w-0 items-center gap-1 px-1">
        {bar.state === 'done' && <Check size={14} aria-hidden="true" />}
        {bar.state === 'running' && <Play size={14} aria-hidden="true" />}
        {bar.pinned && <Pin size={14} aria-hidden="true" />}
        <span className="truncate">
          <b className="font-semibold">{name}</b> {title}
        </span>
      </span>
      {bar.lateS > 0 && (
        <span
          aria-hidden="true"
          className="absolute inset-y-0 right-0 w-2 bg-bad"
          style={{ clipPath: 'polygon(0 0, 100% 0, 100% 100%, 0 100%, 60% 50%)' }}
        />
      )}
    </button>
  );
});
