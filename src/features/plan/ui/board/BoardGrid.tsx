'use client';

import { DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { useEffect, useId, useMemo, useRef, type KeyboardEvent, type RefObject } from 'react';
import { GRID_S } from '@/core';
import type { PlanNames } from '@/words/plan';
import type { Board } from '../../board';
import type { Stretch } from '../../drawn';
import { baseOf } from '../../agenda';
import { BarButton } from './BarButton';
import { BoardAxis, PeopleLine, Shade, WaitStrip } from './BoardParts';
import { Thread } from './Thread';
import type { Bar, Head, Line } from './layout';
import { LANE_PX, xOf, type Scale } from './scale';
import { GAP_PX, type Held, type useMove } from './use-move';

const LABEL_PX = 148;
const HOUR_S = 3600;

type Props = {
  board: Board;
  lines: readonly Line[];
  heads: readonly Head[];
  scale: Scale;
  names: PlanNames;
  canWork: boolean;
  selected: Held | null;
  /** The keys move what is selected, not the focus. */
  held: boolean;
  grid: RefObject<HTMLDivElement | null>;
  move: ReturnType<typeof useMove>;
  onSelect: (bar: Bar, line: string) => void;
  onHold: (held: boolean) => void;
  onKeep: () => void;
  onDrop: () => void;
};

const NOTHING: Stretch[] = [];

/** What is drawn in a bar: the stretches of its step, or all of it in one where it lies behind. */
function drawnOf(board: Board) {
  const steps = new Map(board.steps.map((s) => [`${s.batch} ${s.step}`, s.stretches]));
  const behind = new Map(
    board.behind.map((b, i) => {
      const all: Stretch = { fromS: 0, toS: b.endS - b.startS, name: b.name, tint: b.tint };
      return [`behind ${i}`, { name: b.name, stretches: [all] }];
    }),
  );
  const stretches = (bar: Bar): readonly Stretch[] =>
    behind.get(bar.key)?.stretches ?? steps.get(`${baseOf(bar.batch)} ${bar.step}`) ?? NOTHING;
  return { behind, stretches };
}

/** Steps against days: a line for each place and machine, and one for people. It scrolls sideways, and stays at the present at first. */
export function BoardGrid(props: Props) {
  const { board, lines, heads, scale, names, canWork, selected, held, grid, move } = props;
  const how = useId();
  const scroller = useRef<HTMLDivElement>(null);
  const { zoom } = scale;
  const startX = xOf(scale, board.nowS);
  useEffect(() => {
    scroller.current?.scrollTo({ left: Math.max(0, startX - 80) });
    /* Where it stands is the reader's from then on. */
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [zoom]);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  const width = xOf(scale, scale.endS);
  const drawn = useMemo(() => drawnOf(board), [board]);
  const all = lines.flatMap((l) => l.bars.map((bar): Held => ({ bar, line: l.id })));
  const isSame = (a: Held, b: Held | null) => a.line === b?.line && a.bar.key === b.bar.key;
  const first = all.some((a) => isSame(a, selected))
    ? null
    : all.find((a) => a.bar.state !== 'done');

  const go = (to: Held | undefined) => {
    if (!to) return;
    const at = [...(grid.current?.querySelectorAll<HTMLElement>(`[data-line]`) ?? [])].find(
      (el) => el.dataset.line === to.line,
    );
    const bars = at?.querySelectorAll<HTMLElement>('[data-bar]') ?? [];
    [...bars].find((el) => el.dataset.bar === to.bar.key)?.focus();
  };
  const walk = (key: string) => {
    const at = all.findIndex((a) => isSame(a, selected));
    if (at < 0) return go(all[0]);
    if (key === 'ArrowRight') return go(all[at + 1]);
    if (key === 'ArrowLeft') return go(all[at - 1]);
    const here = lines.findIndex((l) => l.id === selected!.line);
    const order = key === 'ArrowDown' ? lines.slice(here + 1) : lines.slice(0, here).reverse();
    const next = order.find((l) => l.bars.length > 0);
    const near = next?.bars.reduce((a, b) =>
      Math.abs(b.startS - selected!.bar.startS) < Math.abs(a.startS - selected!.bar.startS) ? b : a,
    );
    return go(next && near ? { bar: near, line: next.id } : undefined);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const isArrow = e.key.startsWith('Arrow');
    if (held && selected && isArrow) {
      const byS = e.shiftKey ? HOUR_S : GRID_S;
      const across = { ArrowLeft: -byS, ArrowRight: byS }[e.key] ?? 0;
      const down = ({ ArrowUp: -1, ArrowDown: 1 } as const)[e.key as 'ArrowUp'] ?? 0;
      move.nudge(selected, across, down);
    } else if (held && e.key === 'Enter') props.onKeep();
    else if (held && e.key === 'Escape') props.onDrop();
    else if (isArrow) walk(e.key);
    else if (e.key === ' ' && selected && canWork) props.onHold(!held);
    else return;
    e.preventDefault();
  };

  return (
    <DndContext
      id={how}
      sensors={sensors}
      onDragMove={move.onDragMove}
      onDragEnd={move.onDragEnd}
      onDragCancel={move.onDragCancel}
    >
      <div
        ref={scroller}
        role="group"
        aria-label="Board"
        className="relative overflow-x-auto rounded-lg border border-line bg-sheet"
        onKeyDown={onKeyDown}
      >
        <div style={{ width: LABEL_PX + width }} className="relative">
          <BoardAxis scale={scale} labelPx={LABEL_PX} nowS={board.nowS} />
          <PeopleLine heads={heads} scale={scale} labelPx={LABEL_PX} />
          <div ref={grid} className="group/board relative" data-chosen={selected ? '' : undefined}>
            <Shade board={board} scale={scale} labelPx={LABEL_PX} />
            {lines.map((l) => (
              <div
                key={l.id}
                data-line={l.id}
                role="group"
                aria-label={l.name}
                className="relative flex border-t border-line"
                style={{ height: l.lanes * LANE_PX + GAP_PX }}
              >
                <div
                  className="sticky left-0 z-20 flex shrink-0 items-center border-r border-line bg-sheet px-2 text-sm leading-tight font-semibold"
                  style={{ width: LABEL_PX }}
                >
                  <span className="line-clamp-2">{l.name}</span>
                </div>
                <div className="relative" style={{ width }}>
                  {l.shut.map((c) => (
                    <div
                      key={c.startS}
                      className="absolute inset-y-0 overflow-hidden border-x border-ink px-1 text-sm text-ink"
                      style={{
                        left: xOf(scale, c.startS),
                        width: (c.endS - c.startS) * scale.pxPerS,
                        background:
                          'repeating-linear-gradient(45deg, var(--line) 0 6px, transparent 6px 14px)',
                      }}
                    >
                      <span className="bg-sheet px-1">Shut: {c.why}</span>
                    </div>
                  ))}
                  {l.waits.map((w) => (
                    <WaitStrip key={`${w.batch} ${w.step}`} wait={w} scale={scale} names={names} />
                  ))}
                  {l.bars.map((bar) => (
                    <BarButton
                      key={bar.key}
                      bar={bar}
                      line={l}
                      scale={scale}
                      names={names}
                      title={drawn.behind.get(bar.key)?.name ?? names.step(bar.batch, bar.step)}
                      stretches={drawn.stretches(bar)}
                      tabbable={
                        isSame({ bar, line: l.id }, selected) ||
                        isSame({ bar, line: l.id }, first ?? null)
                      }
                      selected={isSame({ bar, line: l.id }, selected)}
                      own={selected?.bar.batch === bar.batch}
                      fixed={bar.state !== 'planned' || !canWork}
                      onSelect={props.onSelect}
                    />
                  ))}
                </div>
              </div>
            ))}
            {selected && (
              <Thread lines={lines} batch={selected.bar.batch} scale={scale} labelPx={LABEL_PX} />
            )}
            <div
              aria-hidden="true"
              className="pointer-events-none absolute inset-y-0 z-10 w-0.5 bg-bad"
              style={{ left: LABEL_PX + startX }}
            />
          </div>
        </div>
      </div>
    </DndContext>
  );
}
