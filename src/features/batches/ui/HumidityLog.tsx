'use client';

import { useState } from 'react';
import { toBase, unitSymbol, wetBulbFromRh } from '@/core';
import { useBatch, usePost } from '@/features/logbook/ui';
import { WhenField, withTime } from '@/ui/when-field';
import { cleared } from '@/ui/cleared';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice, Said } from '@/ui/status';

const DRIEST = 5;

/** What a hygrometer in the chamber shows: recorded as its dry and its wet bulb, as any other humidity is. */
export function HumidityLog() {
  const show = useShow();
  const { system } = show.settings;
  const { canWork, timeZone } = useBatch();
  const { send, busy, message } = usePost();
  const [air, setAir] = useState('');
  const [rh, setRh] = useState('');
  const [when, setWhen] = useState('');
  const [wrong, setWrong] = useState<{ air?: string; rh?: string }>({});
  const [saved, setSaved] = useState<string | null>(null);
  if (!canWork) return null;
  const save = async () => {
    setSaved(null);
    const [a, h] = [readFigure(air), readFigure(rh)];
    const airC = a.ok ? toBase('temperature', a.value, system) : null;
    const outside = airC !== null && (airC < 0 || airC > 60);
    const impossible = h.ok && (h.value < DRIEST || h.value > 100);
    const faults = {
      ...(a.ok ? {} : { air: a.error }),
      ...(outside ? { air: `A chamber is at ${show.temp(0)} to ${show.temp(60)}.` } : {}),
      ...(h.ok ? {} : { rh: h.error }),
      ...(impossible ? { rh: `A hygrometer shows ${DRIEST} to 100 %.` } : {}),
    };
    setWrong(faults);
    if (airC === null || !h.ok || Object.keys(faults).length > 0) return;
    const at = { ...withTime(when, timeZone), confirmed: true, enteredIn: system };
    const read = { kind: 'reading_logged' as const, thickest: false };
    const wetC = wetBulbFromRh(airC, h.value / 100);
    const first = await send({ ...read, what: 'air', tempC: airC }, at);
    if (!first.ok && first.code !== 'kept') return;
    const second = await send({ ...read, what: 'wet_bulb', tempC: wetC }, at);
    if (!second.ok && second.code !== 'kept') return;
    setSaved(`${show.number(h.value, 0)} % at ${show.temp(airC)} logged.`);
    setRh(cleared(rh));
  };
  return (
    <form
      className="sheet space-y-3"
      aria-label="Log the humidity"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <h2 className="text-lg font-semibold">Humidity of the chamber</h2>
      <div className="grid items-end gap-3 sm:grid-cols-2">
        <NumberField
          label="Air"
          unit={unitSymbol('temperature', system)}
          value={air}
          onChange={setAir}
          error={wrong.air ?? null}
        />
        <NumberField
          label="Humidity"
          unit="%"
          value={rh}
          onChange={setRh}
          error={wrong.rh ?? null}
        />
      </div>
      <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
      <Said text={message} />
      {saved && <Notice tone="good">{saved}</Notice>}
      <button className="button-main min-h-14 w-full text-lg" disabled={busy}>
        Log this humidity
      </button>
    </form>
  );
}
