'use client';

import { useState } from 'react';
import { toBase, unitSymbol, type ParasiteControl } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import { Said } from '@/ui/status';
import { usePost, useBatch } from '@/features/logbook/ui';
import { TextField } from '@/ui/text-field';
import { useWhen } from '@/ui/when-field';

const DAY_S = 24 * 3600;
const WAYS = [
  ['frozen', 'Frozen'],
  ['certified', 'Certified'],
] as const;

export type PorkLine = { id: string; name: string; lotId: string | null; lot: string | null };

/** How the pork of one line was frozen or certified, for the lot that was weighed in. */
export function ParasiteForm({ line }: { line: PorkLine }) {
  const { system } = useShow().settings;
  const { canWork } = useBatch();
  const { send, busy, message, setMessage } = usePost();
  const when = useWhen();
  const [way, setWay] = useState<'frozen' | 'certified'>('frozen');
  const [cold, setCold] = useState('');
  const [days, setDays] = useState('');
  const [thick, setThick] = useState('');
  const [certificate, setCertificate] = useState('');
  if (!canWork) return null;
  const read = (): ParasiteControl | string => {
    if (way === 'certified') return { way, certificate };
    const [c, d] = [readFigure(cold), readFigure(days)];
    if (!c.ok) return `Frozen at: ${c.error}`;
    if (!d.ok) return `Days: ${d.error}`;
    const t = thick.trim() === '' ? null : readFigure(thick);
    if (t && !t.ok) return `Thickest piece: ${t.error}`;
    return {
      way,
      atC: toBase('temperature', c.value, system),
      forS: d.value * DAY_S,
      thicknessMm: t?.ok ? toBase('diameter', t.value, system) : null,
    };
  };
  const submit = () => {
    const control = read();
    if (typeof control === 'string') return setMessage(control);
    const { id: lineId, lotId } = line;
    void send({ kind: 'parasites_controlled', lineId, lotId, control }, when.at);
  };
  return (
    <form
      className="space-y-2 border-t border-line pt-2"
      aria-label={`Parasites of ${line.name}`}
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      <p className="font-semibold">
        {line.name}
        <span className="text-soft">{line.lot ? `, lot ${line.lot}` : ', no lot'}</span>
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <SelectField wrap="w-40" label="How" value={way} options={WAYS} onChange={setWay} />
        {way === 'frozen' ? (
          <>
            <NumberField
              label="Frozen at"
              unit={unitSymbol('temperature', system)}
              value={cold}
              onChange={setCold}
              error={null}
            />
            <NumberField label="For" unit="days" value={days} onChange={setDays} error={null} />
            <NumberField
              label="Thickest piece; empty: middle measured"
              unit={unitSymbol('diameter', system)}
              value={thick}
              onChange={setThick}
              error={null}
            />
          </>
        ) : (
          <TextField
            label="Certificate"
            wrap="grow"
            value={certificate}
            onChange={(e) => setCertificate(e.target.value)}
          />
        )}
      </div>
      {when.field}
      <Said text={message} />
      <button className="button-main" disabled={busy}>
        Record for {line.name}
      </button>
    </form>
  );
}
