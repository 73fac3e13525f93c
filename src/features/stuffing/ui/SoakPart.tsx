'use client';

import { useState } from 'react';
import { unitSymbol } from '@/core';
import { useBatch } from '@/features/logbook/ui';
import { NumberField } from '@/ui/number-field';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { CASING_FORM_WORDS, SOAK_STAND_WORDS, fitWords, soakWords } from '@/words/casing';
import type { StuffingData } from '../sheet';
import { useFigures } from './use-figures';

const TONE = { soaking: 'wait', usable: 'good', weak: 'bad' } as const;

/** The casing: what it does here, how much of it, and its time in the water. */
export function SoakPart({ data }: { data: StuffingData }) {
  const show = useShow();
  const { canWork } = useBatch();
  const { casing, fit, lots, soaks } = data;
  const [lotId, setLotId] = useState(lots[0]?.id ?? '');
  const lot = lots.find((l) => l.id === lotId);
  const f = useFigures({
    metres: { quantity: 'length', optional: true },
    water: { quantity: 'temperature', optional: true },
  });
  const start = () => {
    const read = f.read();
    if (!read) return;
    void f.post({
      kind: 'casing_soaked',
      casing: lot?.name ?? casing.name,
      metres: read.metres === undefined ? casing.metres : read.metres / 1000,
      ...(lot ? { lotId: lot.id } : {}),
      ...(read.water === undefined ? {} : { waterC: read.water }),
      ...(casing.soak?.add ? { add: casing.soak.add } : {}),
    });
  };
  const short = lot && lot.leftM < casing.metres;
  return (
    <section className="sheet space-y-2" aria-label="Casing">
      <h2 className="text-lg font-semibold">
        Casing: {casing.name}, {show.quantity('diameter', casing.diameterMm)}
      </h2>
      <p>
        <span className="figure">{show.quantity('length', casing.metres * 1000)}</span>{' '}
        <span className="small">{show.other('length', casing.metres * 1000)}, waste included</span>
      </p>
      <p>{soakWords(casing.soak, show)}</p>
      {fit?.hornMm != null && (
        <p>
          Horn of {show.quantity('diameter', fit.hornMm)}:{' '}
          {show.quantity('diameter', fit.clearanceMm!)} to spare.
        </p>
      )}
      {fit?.findings.map((x) =>
        x.level === 'bad' ? (
          <Notice key={x.code} tone="bad">
            {fitWords(x, show)}
          </Notice>
        ) : (
          <p key={x.code} className="small">
            {fitWords(x, show)}
          </p>
        ),
      )}
      {soaks.map((s) => (
        <Notice key={s.atS} tone={TONE[s.stand]}>
          {show.quantity('length', s.metres * 1000)} in the water since {show.time(s.atS)}, {s.by}:{' '}
          {SOAK_STAND_WORDS[s.stand]}
          {s.stand === 'soaking'
            ? ` at ${show.time(s.usableS)}`
            : s.stand === 'usable'
              ? ` until ${show.time(s.weakS)}`
              : ` since ${show.time(s.weakS)}`}
        </Notice>
      ))}
      {canWork && !data.stuffed && casing.soak && (
        <form
          className="space-y-2"
          aria-label="Into the water"
          onSubmit={(e) => {
            e.preventDefault();
            start();
          }}
        >
          {lots.length > 0 && (
            <SelectField
              label="From"
              value={lotId}
              options={[
                ...lots.map(
                  (l) =>
                    [
                      l.id,
                      `${l.name}, lot ${l.code}: ${show.quantity('length', l.leftM * 1000)} here, take ${show.number(l.count, 0)} ${CASING_FORM_WORDS[l.form][l.count === 1 ? 0 : 1]}`,
                    ] as const,
                ),
                ['', 'another one, not in the stores'] as const,
              ]}
              onChange={setLotId}
            />
          )}
          {short && <Notice tone="wait">This lot is shorter than the batch asks for.</Notice>}
          <div className="grid grid-cols-2 gap-2">
            <NumberField
              label="Length, if not all"
              unit={unitSymbol('length', f.system)}
              {...f.field('metres')}
            />
            <NumberField
              label="Water, if measured"
              unit={unitSymbol('temperature', f.system)}
              {...f.field('water')}
            />
          </div>
          {f.when}
          {f.message && <Notice tone="bad">{f.message}</Notice>}
          <button
            className={`${soaks.length === 0 ? 'button-main' : 'button'} min-h-12 w-full`}
            disabled={f.busy}
          >
            Into the water now
          </button>
        </form>
      )}
    </section>
  );
}
