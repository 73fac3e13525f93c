'use client';

import {
  DndContext,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { CSS } from '@dnd-kit/utilities';
import { useEffect, useId, useRef, type KeyboardEvent } from 'react';
import { heatAt, type HangingGrid, type HungStick, type Spot } from '@/core';
import type { MapProduct } from '../../load-map';
import type { MapState } from './use-map';

const key = ({ level, row }: Spot) => `${level}:${row}`;
const spotOf = (id: string): Spot => {
  const [level, row] = id.split(':').map(Number);
  return { level: level!, row: row! };
};

/** Tints of products, each said by its letter as well. */
const TINTS = ['--hang', '--smoke', '--bath', '--dry', '--ferment', '--cook'] as const;
export const letterOf = (products: readonly MapProduct[], id: string) =>
  String.fromCharCode(
    65 +
      Math.max(
        0,
        products.findIndex((p) => p.id === id),
      ),
  );
export const tintOf = (products: readonly MapProduct[], id: string) =>
  `var(${
    TINTS[
      Math.max(
        0,
        products.findIndex((p) => p.id === id),
      ) % TINTS.length
    ]
  })`;

const STEPS: Record<string, Spot> = {
  ArrowUp: { level: 0, row: -1 },
  ArrowDown: { level: 0, row: 1 },
  ArrowLeft: { level: -1, row: 0 },
  ArrowRight: { level: 1, row: 0 },
};

type Common = {
  map: MapState;
  products: readonly MapProduct[];
  canWork: boolean;
  probes: ReadonlyMap<number, string>;
};

/** A stick at its spot: dragged, or moved with the arrow keys. */
function StickButton({ stick: s, map, products, canWork, probes }: Common & { stick: HungStick }) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: String(s.stick),
    disabled: !canWork,
  });
  const own = useRef<HTMLButtonElement | null>(null);
  const followed = map.follow === s.stick;
  useEffect(() => {
    if (followed) own.current?.focus();
  }, [followed]);
  const p = map.of(s.productId);
  const probe = probes.get(s.stick);
  const onKeyDown = (e: KeyboardEvent) => {
    const step = STEPS[e.key];
    if (!canWork) return;
    if (step) {
      e.preventDefault();
      map.move(s.stick, { level: s.level + step.level, row: s.row + step.row });
    } else if (e.key === 'Delete' || e.key === 'Backspace') {
      e.preventDefault();
      map.remove(s.stick);
    }
  };
  return (
    <button
      type="button"
      ref={(e) => {
        own.current = e;
        setNodeRef(e);
      }}
      {...attributes}
      {...listeners}
      role="button"
      aria-roledescription="stick"
      aria-pressed={map.chosen === s.stick}
      aria-label={`Stick ${s.stick}: ${s.pieces} pieces of ${p.name}, level ${s.level}, row ${s.row}${probe ? `, probe ${probe}` : ''}. Arrow keys move it.`}
      onKeyDown={onKeyDown}
      onClick={() => map.setChosen(map.chosen === s.stick ? null : s.stick)}
      style={{
        transform: CSS.Translate.toString(transform),
        background: tintOf(products, s.productId),
      }}
      className={`flex min-h-12 w-full touch-none items-center justify-between gap-1 rounded-md border px-2 text-ink ${isDragging ? 'relative z-10 shadow-lg' : ''} ${map.chosen === s.stick ? 'border-3 border-accent' : 'border-soft'}`}
    >
      <strong>
        {letterOf(products, s.productId)}
        <span className="font-normal"> {s.stick}</span>
      </strong>
      <span className="text-sm">
        {s.pieces} pcs{probe ? ` · ${probe}` : ''}
      </span>
    </button>
  );
}

/** An empty spot: a press hangs a stick of the chosen product there. */
function EmptySpot({
  spot,
  adding,
  map,
}: {
  spot: Spot;
  adding: MapProduct | null;
  map: MapState;
}) {
  const words = `Level ${spot.level}, row ${spot.row}: free`;
  return (
    <button
      type="button"
      disabled={!adding}
      aria-label={adding ? `${words}. Hang ${adding.name} here` : words}
      onClick={() => adding && map.add(adding, spot)}
      className="min-h-12 w-full rounded-md border border-dashed border-line text-sm text-soft"
    >
      {adding ? '+' : ''}
    </button>
  );
}

function SpotCell({
  spot,
  grid,
  adding,
  ...common
}: Common & { spot: Spot; grid: HangingGrid; adding: MapProduct | null }) {
  const { setNodeRef, isOver } = useDroppable({ id: key(spot) });
  const stick = common.map.at(spot);
  const hot = heatAt(grid, spot);
  const uneven = grid.hotDepth !== 'even' || grid.hotLevel !== 'even';
  return (
    <td ref={setNodeRef} className={`p-1 align-top ${isOver ? 'bg-accent-wash' : ''}`}>
      {stick ? (
        <StickButton stick={stick} {...common} />
      ) : (
        <EmptySpot spot={spot} adding={adding} map={common.map} />
      )}
      {uneven && (hot >= 0.99 || hot <= 0.01) && (
        <span className="block text-center text-sm text-soft">
          {hot > 0.5 ? 'hottest' : 'coolest'}
        </span>
      )}
    </td>
  );
}

/** The house from above: rows from front to back, levels from low to high. */
export function MapGrid({
  grid,
  adding,
  ...common
}: Common & { grid: HangingGrid; adding: MapProduct | null }) {
  const id = useId();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const dropped = ({ active, over }: DragEndEvent) => {
    if (over) common.map.move(Number(active.id), spotOf(String(over.id)));
  };
  const levels = Array.from({ length: grid.levels }, (_, i) => i + 1);
  const rows = Array.from({ length: grid.rows }, (_, i) => i + 1);
  const end = (row: number) => (row === 1 ? 'front' : row === grid.rows ? 'back' : '');
  return (
    <DndContext id={id} sensors={sensors} onDragEnd={dropped}>
      <table className="w-full table-fixed border-collapse">
        <caption className="sr-only">Where each stick hangs, by row and level</caption>
        <thead>
          <tr>
            <th scope="col" className="w-14 text-left text-sm font-normal text-soft">
              Row
            </th>
            {levels.map((l) => (
              <th key={l} scope="col" className="text-sm font-normal text-soft">
                Level {l}
                {l === 1 ? ', lowest' : ''}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row}>
              <th scope="row" className="text-left text-sm font-normal text-soft">
                {row} {end(row)}
              </th>
              {levels.map((level) => (
                <SpotCell
                  key={level}
                  spot={{ level, row }}
                  grid={grid}
                  adding={adding}
                  {...common}
                />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </DndContext>
  );
}
