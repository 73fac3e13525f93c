'use client';

import { useState } from 'react';
import { toBase, unitSymbol } from '@/core';
import { cleared } from '@/ui/cleared';
import { NumberField, readFigure } from '@/ui/number-field';
import { RadioRow } from '@/ui/radio-row';
import { useShow } from '@/ui/show-context';
import { Notice, Said } from '@/ui/status';
import { listOf } from '@/words/list';
import { usePost } from '@/features/logbook/ui';
import { useWhen } from '@/ui/when-field';
import type { BowlView, MakingSheetData } from '../sheet';

/** What a bowl weighs beside what went into it. */
function Balance({ b }: { b: BowlView }) {
  const show = useShow();
  const of = b.load === null ? 'The bowl' : `Load ${b.load}`;
  if (b.unweighed.length > 0)
    return (
      <Notice tone="bad">
        {of} was mixed without its {listOf(b.unweighed)}, or nobody weighed it: what it should weigh
        is not known. Weigh that first.
      </Notice>
    );
  if (b.within)
    return (
      <Notice tone="good">
        {of} weighs what went into it: {show.mass(b.sumG)} less what clings.
      </Notice>
    );
  return (
    <Notice tone="wait">
      {of} is {show.mass(Math.abs(b.gapG))} {b.gapG < 0 ? 'lighter' : 'heavier'} than its parts.{' '}
      {b.fits.length === 0
        ? 'No line fits that: weigh it again, and look at what is left on the bench.'
        : b.fits
            .map((f) => `${f.names} ${f.doubled ? 'twice' : 'left out'} would fit`)
            .join('; or ') + '.'}
    </Notice>
  );
}

/** The full bowl less its container, against the sum of what was weighed into it. */
export function BowlForm({ sheet }: { sheet: MakingSheetData }) {
  const show = useShow();
  const { system } = show.settings;
  const { send, busy, message } = usePost();
  const [gross, setGross] = useState('');
  const [tare, setTare] = useState('');
  const [load, setLoad] = useState('1');
  const [said, setSaid] = useState<{ gross: string | null; tare: string | null }>({
    gross: null,
    tare: null,
  });
  const when = useWhen();
  const unit = unitSymbol('mass', system);
  const submit = async () => {
    const [g, t] = [readFigure(gross), readFigure(tare)];
    const full =
      g.ok && t.ok && t.value >= g.value ? 'The full bowl is lighter than its container.' : null;
    setSaid({ gross: g.ok ? full : g.error, tare: t.ok ? null : t.error });
    if (!g.ok || !t.ok || full) return;
    const outcome = await send(
      {
        kind: 'bowl_weighed',
        ...(sheet.loads > 1 ? { load: Number(load) } : {}),
        grossG: toBase('mass', g.value, system),
        tareG: toBase('mass', t.value, system),
      },
      when.at,
    );
    if (!outcome.ok && outcome.code !== 'kept') return;
    setGross(cleared(gross));
    when.again();
  };
  return (
    <form
      className="space-y-2"
      aria-label="Weigh the bowl"
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
      {sheet.balances.map((b) => (
        <Balance key={b.load ?? 0} b={b} />
      ))}
      {sheet.loads > 1 && (
        <RadioRow
          label="Which load"
          options={Array.from(
            { length: sheet.loads },
            (_, i) => [String(i + 1), `Load ${i + 1}`] as const,
          )}
          value={load}
          onChange={setLoad}
        />
      )}
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Full bowl"
          unit={unit}
          value={gross}
          onChange={setGross}
          error={said.gross}
        />
        <NumberField
          label="Empty bowl"
          unit={unit}
          value={tare}
          onChange={setTare}
          error={said.tare}
        />
      </div>
      {when.field}
      <Said text={message} />
      <button className="button min-h-12 w-full" disabled={busy}>
        Weigh it
      </button>
    </form>
  );
}
