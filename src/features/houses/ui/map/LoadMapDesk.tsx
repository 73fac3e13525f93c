'use client';

import { useState } from 'react';
import { loadMap, type HangingGrid } from '@/core';
import { Link } from '@/ui/link';
import { useShow } from '@/ui/show-context';
import { Notice, Said } from '@/ui/status';
import { mapWords } from '@/words/place';
import type { Fact } from '../../alarm-groups';
import type { LoadMapData } from '../../load-map';
import { usePostTo, useWorker } from '../post-as';
import { MapGrid, letterOf, tintOf } from './MapGrid';
import { StickPanel } from './StickPanel';
import { useMap, type MapState } from './use-map';

/** What hangs and what is still to be hung; the one that is chosen is hung with a press on a free spot. */
function Products({
  data,
  map,
  adding,
  onAdd,
}: {
  data: LoadMapData;
  map: MapState;
  adding: string | null;
  onAdd: (id: string | null) => void;
}) {
  const show = useShow();
  const { canWork } = useWorker();
  return (
    <ul className="space-y-2" aria-label="Products">
      {data.products.map((p) => {
        const left = map.left(p);
        return (
          <li key={p.id} className="flex flex-wrap items-center gap-2 border-t border-line pt-2">
            <span
              className="flex size-8 items-center justify-center rounded-md border border-soft font-extrabold"
              style={{ background: tintOf(data.products, p.id) }}
              aria-hidden="true"
            >
              {letterOf(data.products, p.id)}
            </span>
            <span className="min-w-0 grow">
              <strong>{p.name}</strong> <span className="small">{p.code}</span>
              <span className="small block">
                {show.quantity('diameter', p.diameterMm)}
                {p.pieces === null
                  ? ', no piece length in its recipe'
                  : `, ${p.pieces} pieces, ${left === 0 ? 'all hung' : `${left} to hang`}`}
              </span>
            </span>
            {canWork && (
              <button
                type="button"
                className={`${adding === p.id ? 'button-main' : 'button'} min-h-12`}
                aria-pressed={adding === p.id}
                onClick={() => onAdd(adding === p.id ? null : p.id)}
              >
                {adding === p.id ? 'Press a free spot' : 'Hang a stick'}
                <span className="sr-only"> of {p.name}</span>
              </button>
            )}
          </li>
        );
      })}
    </ul>
  );
}

function Desk({ data, grid }: { data: LoadMapData; grid: HangingGrid }) {
  const show = useShow();
  const { canWork } = useWorker();
  const { sendAll, busy, message, when } = usePostTo();
  const map = useMap(data, grid);
  const [addingId, setAdding] = useState<string | null>(null);
  const [kept, setKept] = useState(false);
  const adding = data.products.find((p) => p.id === addingId) ?? null;
  const found = loadMap({ grid, products: data.products, sticks: map.sticks });
  const chosen = map.sticks.find((s) => s.stick === map.chosen);
  const probes = new Map(
    data.probes.flatMap((p) => (p.stick === null ? [] : [[p.stick, p.name] as const])),
  );
  const save = async () => {
    const facts = data.products.flatMap((p): Fact[] => {
      const own = map.sticks.filter((s) => s.productId === p.id);
      const before = data.sticks.filter((s) => s.productId === p.id);
      if (own.length === 0 && before.length === 0) return [];
      const sticks = own.map(({ productId: _, ...s }) => s);
      return [[p.id, { kind: 'hung', houseId: data.houseId, sticks }]];
    });
    if (facts.length > 0) setKept(await sendAll(facts));
  };
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[3fr_2fr]">
      <section className="sheet space-y-3" aria-label="Map">
        <p className="small">
          Drag a stick, or choose it and use the arrow keys. The front of the house is at the top.
        </p>
        <MapGrid
          grid={grid}
          map={map}
          adding={adding}
          products={data.products}
          canWork={canWork}
          probes={probes}
        />
        <p aria-live="polite" className="small min-h-6">
          {map.said}
        </p>
      </section>
      <div className="space-y-4">
        <section className="sheet space-y-3" aria-label="What hangs">
          <p>
            <span className="figure">{map.sticks.length}</span>{' '}
            <span className="small">
              sticks, {found.pieces} pieces
              {found.massG === null ? '' : `, ${show.mass(found.massG)}`}; {found.free} of{' '}
              {found.spots} spots free
            </span>
          </p>
          {found.findings.map((f) => (
            <Notice key={f.code + f.sticks.join()} tone={f.level === 'bad' ? 'bad' : 'wait'}>
              {mapWords(f, data.products, show)}
            </Notice>
          ))}
          {found.findings.length === 0 && map.sticks.length > 0 && (
            <Notice tone="good">It can hang so: nothing touches, nothing is too long.</Notice>
          )}
          <Products data={data} map={map} adding={addingId} onAdd={setAdding} />
          <Said text={message} />
          {kept && !message && <Notice tone="good">Recorded.</Notice>}
          {canWork && when}
          {canWork && (
            <div className="flex flex-wrap gap-2">
              <button
                type="button"
                className="button-main min-h-14 grow"
                disabled={busy || !found.feasible}
                onClick={() => void save()}
              >
                It hangs so
              </button>
              <button type="button" className="button min-h-14" onClick={map.arrange}>
                Suggest a map
              </button>
            </div>
          )}
        </section>
        {chosen && canWork && (
          <StickPanel key={chosen.stick} stick={chosen} map={map} data={data} />
        )}
      </div>
    </div>
  );
}

/** A house drawn from above, stick by stick; what must not be is said while it is arranged. */
export function LoadMapDesk({ data }: { data: LoadMapData }) {
  if (!data.grid)
    return (
      <p className="sheet">
        Settings do not say yet how this house hangs:{' '}
        <Link href="/settings/equipment" className="text-accent underline">
          give its hanging room, levels and rows
        </Link>
        .
      </p>
    );
  if (data.products.length === 0)
    return <p className="sheet">Nothing hangs here, and nothing stuffed waits for a house.</p>;
  return <Desk data={data} grid={data.grid} />;
}
