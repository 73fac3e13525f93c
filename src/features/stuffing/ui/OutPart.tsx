'use client';

import { useState } from 'react';
import { unitSymbol } from '@/core';
import { useBatch } from '@/features/logbook/ui';
import { NumberField } from '@/ui/number-field';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import type { StuffingData } from '../sheet';
import { useFigures } from './use-figures';

/** What came out of the stuffer beside what went in. */
function Balance({ data }: { data: StuffingData }) {
  const show = useShow();
  const sum = (of: 'batterG' | 'stuffedG' | 'stayedG') =>
    data.stuffings.reduce((all, s) => all + s[of], 0);
  const [batter, stuffed, stayed] = [sum('batterG'), sum('stuffedG'), sum('stayedG')];
  if (batter === 0) return null;
  const gone = batter - stuffed - stayed;
  const tooMuch = gone > data.lossShare * batter;
  return (
    <Notice tone={tooMuch ? 'wait' : 'good'}>
      {show.mass(stuffed)} stuffed of {show.mass(batter)},{' '}
      {show.number((stuffed / batter) * 100, 1)} %; {show.mass(stayed)} stayed in horn and cylinder
      {tooMuch
        ? `, and ${show.mass(gone)} is not accounted for: look for a tray that was not weighed.`
        : '.'}
    </Notice>
  );
}

/** Batter in, stuffed out, what stayed; and the casing that was used and put back. */
export function OutPart({ data }: { data: StuffingData }) {
  const show = useShow();
  const { canWork } = useBatch();
  const [lotId, setLotId] = useState(data.lots[0]?.id ?? '');
  const f = useFigures({
    batter: { quantity: 'mass' },
    stuffed: { quantity: 'mass' },
    stayed: { quantity: 'mass' },
    used: { quantity: 'length', optional: true },
    back: { quantity: 'length', optional: true },
  });
  const submit = () => {
    const r = f.read();
    if (!r) return;
    void f.post({
      kind: 'stuffing_weighed',
      batterG: r.batter!,
      stuffedG: r.stuffed!,
      stayedG: r.stayed!,
      ...(lotId && r.used ? { lotId } : {}),
      ...(r.used ? { usedM: r.used / 1000 } : {}),
      ...(r.back === undefined ? {} : { backM: r.back / 1000 }),
    });
  };
  const { stuffer } = data;
  const mass = unitSymbol('mass', f.system);
  const length = unitSymbol('length', f.system);
  return (
    <section className="sheet space-y-2" aria-label="In and out">
      <h2 className="text-lg font-semibold">In and out</h2>
      {stuffer && (
        <p>
          {stuffer.name}: {stuffer.fillings.fillings}{' '}
          {stuffer.fillings.fillings === 1 ? 'filling' : 'fillings'}, {stuffer.fillings.perFilling}{' '}
          pieces from a full one, {stuffer.fillings.pieces} in all.{' '}
          {stuffer.fillings.staysG > 0 &&
            `About ${show.mass(stuffer.fillings.staysG)} stays in it: push it out with a stub of bread or ice, and link it by hand.`}
        </p>
      )}
      <Balance data={data} />
      {canWork && (
        <form
          className="space-y-2"
          aria-label="Weigh in and out"
          onSubmit={(e) => {
            e.preventDefault();
            submit();
          }}
        >
          <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
            <NumberField label="Batter in" unit={mass} {...f.field('batter')} />
            <NumberField label="Stuffed" unit={mass} {...f.field('stuffed')} />
            <NumberField label="Stayed in it" unit={mass} {...f.field('stayed')} />
            <NumberField label="Casing used" unit={length} {...f.field('used')} />
            <NumberField label="Salted again" unit={length} {...f.field('back')} />
          </div>
          {data.lots.length > 0 && (
            <SelectField
              label="Casing from"
              value={lotId}
              options={[
                ...data.lots.map((l) => [l.id, `${l.name}, lot ${l.code}`] as const),
                ['', 'not in the stores'] as const,
              ]}
              onChange={setLotId}
            />
          )}
          {f.when}
          {f.message && <Notice tone="bad">{f.message}</Notice>}
          <button className="button min-h-12 w-full" disabled={f.busy}>
            Record in and out
          </button>
        </form>
      )}
    </section>
  );
}
