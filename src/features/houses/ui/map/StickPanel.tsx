'use client';

import { useState } from 'react';
import { fromBase, toBase, unitSymbol, type HungStick } from '@/core';
import { cleared } from '@/ui/cleared';
import { NumberField, readFigure } from '@/ui/number-field';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Said } from '@/ui/status';
import type { LoadMapData } from '../../load-map';
import { usePostTo } from '../post-as';
import type { MapState } from './use-map';

type Props = { stick: HungStick; map: MapState; data: LoadMapData };

/** Weighs a stick with what hangs on it, full and empty: its loss shows later. */
function WeighStick({ stick: s, data }: Omit<Props, 'map'>) {
  const show = useShow();
  const { system } = show.settings;
  const { sendTo, busy, message, when } = usePostTo();
  const [gross, setGross] = useState('');
  const [tare, setTare] = useState(() =>
    data.stickTareG === null
      ? ''
      : String(Math.round(fromBase('mass', data.stickTareG, system) * 1000) / 1000),
  );
  const [errors, setErrors] = useState<{ gross?: string; tare?: string }>({});
  const weights = data.products
    .find((p) => p.id === s.productId)!
    .weights.filter((w) => w.stick === s.stick);
  const [first, last] = [weights[0], weights.at(-1)];
  const weigh = async () => {
    const [g, t] = [readFigure(gross), readFigure(tare)];
    const lighter =
      g.ok && t.ok && g.value <= t.value ? 'Lighter than the empty stick: check both.' : undefined;
    setErrors({
      gross: g.ok ? lighter : g.error,
      tare: t.ok ? undefined : t.error,
    });
    if (!g.ok || !t.ok || lighter) return;
    const ok = await sendTo([s.productId], {
      kind: 'stick_weighed',
      stick: s.stick,
      grossG: toBase('mass', g.value, system),
      tareG: toBase('mass', t.value, system),
    });
    if (ok) setGross(cleared(gross));
  };
  const unit = unitSymbol('mass', system);
  return (
    <form
      className="space-y-2"
      aria-label={`Weigh stick ${s.stick}`}
      onSubmit={(e) => {
        e.preventDefault();
        void weigh();
      }}
    >
      {first && last && (
        <p>
          {show.mass(last.netG)} on it now
          {first !== last
            ? `, ${show.number((1 - last.netG / first.netG) * 100, 1)} % lost since it was first weighed`
            : ''}
          .
        </p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Full"
          unit={unit}
          value={gross}
          onChange={setGross}
          error={errors.gross}
        />
        <NumberField
          label="Empty stick"
          unit={unit}
          value={tare}
          onChange={setTare}
          error={errors.tare}
        />
      </div>
      {when}
      <Said text={message} />
      <button className="button min-h-12" disabled={busy}>
        Weigh it
      </button>
    </form>
  );
}

/** The chosen stick: its pieces, its probe, its weight. */
export function StickPanel({ stick: s, map, data }: Props) {
  const { sendTo, busy, message, when } = usePostTo();
  const free = data.probes.filter((p) => p.productId === null);
  const [channel, setChannel] = useState(String(free[0]?.channelId ?? ''));
  const p = map.of(s.productId);
  const saved = data.sticks.some((x) => x.stick === s.stick && x.productId === s.productId);
  const step = (by: number) => map.setPieces(s.stick, Math.max(1, s.pieces + by));
  return (
    <section className="sheet space-y-3" aria-label={`Stick ${s.stick}`}>
      <h2 className="text-lg font-semibold">
        Stick {s.stick}: {p.name}
      </h2>
      <div className="flex flex-wrap items-center gap-2">
        <button type="button" className="button min-h-12 min-w-12" onClick={() => step(-1)}>
          −<span className="sr-only">one piece less</span>
        </button>
        <span className="figure">
          {s.pieces} <span className="unit">pieces</span>
        </span>
        <button type="button" className="button min-h-12 min-w-12" onClick={() => step(1)}>
          +<span className="sr-only">one piece more</span>
        </button>
        <button
          type="button"
          className="button ml-auto min-h-12"
          onClick={() => map.remove(s.stick)}
        >
          Take it off
        </button>
      </div>
      {p.inside && free.length > 0 && when}
      {p.inside && free.length > 0 && (
        <div className="flex flex-wrap items-end gap-2">
          <SelectField
            label="Core probe"
            value={channel}
            options={free.map((c) => [String(c.channelId), c.name] as const)}
            onChange={setChannel}
            wrap="grow"
          />
          <button
            type="button"
            className="button min-h-12"
            disabled={busy}
            onClick={() =>
              void sendTo([s.productId], {
                kind: 'probe_placed',
                channelId: Number(channel),
                what: 'core',
                thickest: true,
                position: `stick ${s.stick}, level ${s.level}, row ${s.row}`,
              })
            }
          >
            Into a piece of this stick
          </button>
        </div>
      )}
      <Said text={message} />
      {saved && <WeighStick stick={s} data={data} />}
    </section>
  );
}
