import type { DragEndEvent, DragMoveEvent } from '@dnd-kit/core';
import { useRef, type RefObject } from 'react';
import { GRID_S, type PlacedStep, type PlanUse } from '@/core';
import type { Board } from '../../board';
import { movedWith, shifted, type Bar, type Line } from './layout';
import { LANE_PX, type Scale } from './scale';

/** Between two lines, px. */
export const GAP_PX = 4;

/** A plan with some steps elsewhere, before anybody keeps it. */
export type Moved = { steps: PlacedStep[]; keys: string[]; byS: number; into: string | null };
export type Held = { bar: Bar; line: string };

type Props = {
  grid: RefObject<HTMLDivElement | null>;
  board: Board;
  placed: readonly PlacedStep[];
  lines: readonly Line[];
  scale: Scale;
  /** The whole batch goes along. */
  whole: boolean;
  /** It is somewhere else than before, and still held. */
  onMoving: (moved: Moved, held: Held) => void;
  onMoved: (moved: Moved | null) => void;
};

/** Moves what is dragged, and what goes along with it, without drawing the board anew. */
export function useMove({ grid, board, placed, lines, scale, whole, onMoving, onMoved }: Props) {
  const last = useRef<{ byS: number; into: string | null } | null>(null);

  const topOf = (id: string) => {
    let top = 0;
    for (const l of lines) {
      if (l.id === id) return top;
      top += l.lanes * LANE_PX + GAP_PX;
    }
    return top;
  };
  /** The use by which a bar stands on its line. */
  const takenOn = ({ bar, line }: Held): PlanUse | undefined =>
    board.task.batches
      .find((b) => b.id === bar.batch)
      ?.steps.find((s) => s.id === bar.step)
      ?.uses.find((u) => u.anyOf.includes(line));

  const moveTo = (held: Held, byS: number, to: string | null): Moved => {
    const { bar, line } = held;
    const use = takenOn(held);
    const into =
      to !== null && to !== line && use?.anyOf.includes(to)
        ? { step: bar.step, from: line, to, amount: use.amounts?.[to] ?? use.amount }
        : null;
    const steps = movedWith(board, bar.batch, bar.step, whole);
    return {
      steps: shifted(placed, bar.batch, steps, byS, into),
      keys: steps.map((step) => `${bar.batch} ${step}`),
      byS,
      into: into?.to ?? null,
    };
  };
  const placeUnder = ({ bar, line }: Held, dy: number): string | null => {
    const y = topOf(line) + (bar.lane + 0.5) * LANE_PX + dy;
    const under = lines.find(
      (l) => y >= topOf(l.id) && y < topOf(l.id) + l.lanes * LANE_PX + GAP_PX,
    );
    return under?.id ?? null;
  };

  /* What is under way is sought once, and again only where the board was drawn anew meanwhile. */
  const underWay = useRef<HTMLElement[]>([]);
  const putDown = () => {
    for (const el of underWay.current) {
      el.style.transform = '';
      delete el.dataset.moving;
    }
    underWay.current = [];
  };
  const takeUp = (keys: readonly string[]): readonly HTMLElement[] => {
    const known = underWay.current;
    if (known.length > 0 && known.every((el) => el.isConnected)) return known;
    putDown();
    const bars = grid.current?.querySelectorAll<HTMLElement>('[data-bar]') ?? [];
    underWay.current = [...bars].filter((el) => keys.includes(el.dataset.bar!));
    for (const el of underWay.current) el.dataset.moving = '';
    return underWay.current;
  };
  const paint = (moved: Moved, held: Held) => {
    for (const el of takeUp(moved.keys)) {
      const changes = el.dataset.bar === held.bar.key && moved.into !== null;
      const dy = changes ? topOf(moved.into!) - topOf(held.line) : 0;
      el.style.transform = `translate(${moved.byS * scale.pxPerS}px, ${dy}px)`;
    }
  };
  const read = (event: DragMoveEvent | DragEndEvent): [Held, Moved] => {
    const held = event.active.data.current as Held;
    const byS = Math.round(event.delta.x / scale.pxPerS / GRID_S) * GRID_S;
    return [held, moveTo(held, byS, placeUnder(held, event.delta.y))];
  };
  const letGo = () => {
    putDown();
    last.current = null;
  };
  const isSome = (moved: Moved) => moved.byS !== 0 || moved.into !== null;

  return {
    onDragMove: (event: DragMoveEvent) => {
      const [held, moved] = read(event);
      if (moved.byS === last.current?.byS && moved.into === last.current.into) return;
      last.current = moved;
      paint(moved, held);
      onMoving(moved, held);
    },
    onDragEnd: (event: DragEndEvent) => {
      const [, moved] = read(event);
      letGo();
      onMoved(isSome(moved) ? moved : null);
    },
    onDragCancel: () => {
      letGo();
      onMoved(null);
    },
    /** By the keys: so much later, or to the next place that it may be done in, up or down. */
    nudge: (held: Held, byS: number, down: -1 | 0 | 1) => {
      const ids = lines.map((l) => l.id).filter((id) => takenOn(held)?.anyOf.includes(id));
      const to = down === 0 ? null : (ids[ids.indexOf(held.line) + down] ?? null);
      const moved = moveTo(held, byS, to);
      if (isSome(moved)) onMoved(moved);
    },
    /** To a time and a place that were typed. */
    put: (held: Held, startS: number, to: string | null) => {
      const moved = moveTo(held, startS - held.bar.startS, to);
      onMoved(isSome(moved) ? moved : null);
    },
  };
}
