'use client';

import { useDraggable } from '@dnd-kit/core';
import { Check, Pin, Play } from 'lucide-react';
import { memo } from 'react';
import { useShow } from '@/ui/show-context';
import type { PlanNames } from '@/words/plan';
import type { Stretch } from '../../drawn';
import type { Bar, Line } from './layout';
import { LANE_PX, xOf, type Scale } from './scale';

type Props = {
  bar: Bar;
  /** Of this line: one bar may stand on several. */
  line: Line;
  scale: Scale;
  names: PlanNames;
  /** What is done in it. */
  title: string;
  stretches: readonly Stretch[];
  tabbable: boolean;
  selected: boolean;
  /** Of the batch that is chosen. */
  own: boolean;
  fixed: boolean;
  onSelect: (bar: Bar, line: string) => void;
};
type Grip = Pick<ReturnType<typeof useDraggable>, 'setNodeRef' | 'listeners'> & {
  role: string | undefined;
  how: string | undefined;
};

const EDGE = {
  done: 'border-dashed opacity-60',
  running: 'border-2 border-ink',
  planned: 'border-soft',
} as const;
const STATE_WORDS = { done: 'done', running: 'runs', planned: 'planned' } as const;

/** A step on the board. It is dragged, or moved with the keys; when another is taken up it is not drawn anew. */
export const BarButton = memo(function BarButton(props: Props) {
  const { bar, line, fixed } = props;
  const { setNodeRef, listeners, attributes } = useDraggable({
    id: `${line.id} ${bar.key}`,
    disabled: fixed,
    data: { bar, line: line.id },
  });
  const { 'aria-roledescription': role, 'aria-describedby': how } = attributes;
  return <Face {...props} setNodeRef={setNodeRef} listeners={listeners} role={role} how={how} />;
});

/** Its stretches in their tints, its state by border and sign. */
const Face = memo(function Face({ setNodeRef, listeners, role, how, ...props }: Props & Grip) {
  const { bar, line, scale, names, title, stretches, fixed } = props;
  const says = useSays(props);
  const width = (bar.endS - bar.startS) * scale.pxPerS;
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...(fixed
        ? {}
        : {
            ...listeners,
            'aria-roledescription': role,
            'aria-describedby': how,
          })}
      data-bar={bar.key}
      data-batch={bar.batch}
      data-own={props.own || undefined}
      tabIndex={props.tabbable ? 0 : -1}
      aria-label={says}
      aria-pressed={props.selected}
      onClick={() => props.onSelect(bar, line.id)}
      onFocus={() => props.onSelect(bar, line.id)}
      className={`absolute flex touch-none items-center overflow-hidden rounded border bg-sheet text-left text-sm whitespace-nowrap group-data-chosen/board:not-data-own:opacity-60 data-moving:z-10 data-moving:will-change-transform ${EDGE[bar.state]} ${props.selected ? 'z-10 outline-3 outline-accent' : ''} ${fixed ? '' : 'cursor-grab'}`}
      style={{
        left: xOf(scale, bar.startS),
        width: Math.max(3, width),
        top: bar.lane * LANE_PX + 2,
        height: LANE_PX - 4,
      }}
    >
      {stretches.map((s) => (
        <span
          key={s.fromS}
          aria-hidden="true"
          className="absolute inset-y-0"
          style={{
            left: s.fromS * scale.pxPerS,
            width: (s.toS - s.fromS) * scale.pxPerS,
            background: `var(${s.tint})`,
          }}
        />
      ))}
      <span className="relative flex min-w-0 items-center gap-1 px-1">
        {bar.state === 'done' && <Check size={14} aria-hidden="true" />}
        {bar.state === 'running' && <Play size={14} aria-hidden="true" />}
        {bar.pinned && <Pin size={14} aria-hidden="true" />}
        <span className="truncate">
          {line.kind !== 'batch' && <b className="font-semibold">{names.batch(bar.batch)} </b>}
          {title}
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

/** All of it in words. */
function useSays({ bar, line, names, title }: Props): string {
  const show = useShow();
  const where = line.kind === 'batch' || line.kind === 'room' ? '' : `, ${line.name}`;
  const late = bar.lateS > 0 ? `, ready ${show.duration(bar.lateS)} late` : '';
  const pin = bar.pinned ? ', pinned' : '';
  return `${names.batch(bar.batch)}: ${title}${where}, ${show.clock(bar.startS)} to ${show.clock(bar.endS)}, ${STATE_WORDS[bar.state]}${pin}${late}`;
}
