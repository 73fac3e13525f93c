'use client';

import { useState } from 'react';
import { NumberField, readFigure } from '@/ui/number-field';
import { NumberPad } from '@/ui/number-pad';
import { Notice } from '@/ui/status';
import { withTime } from './EntryButton';
import { useBatch, usePost } from './use-post';
import { WhenField } from './WhenField';

const LOWEST = 3;
const HIGHEST = 8;
const MS = 1000;

/** The pH of the test piece, for fermented products. */
export function PhForm({ targetPh }: { targetPh: number }) {
  const { timeZone, canWork } = useBatch();
  const { send, busy, message } = usePost();
  const [text, setText] = useState('');
  const [when, setWhen] = useState('');
  const [checked, setChecked] = useState(false);
  const [error, setError] = useState<string | null>(null);
  if (!canWork) return null;
  const submit = async () => {
    const read = readFigure(text);
    if (!read.ok) return setError(read.error);
    if (read.value < LOWEST || read.value > HIGHEST)
      return setError('No sausage has this pH. Rinse and calibrate the meter, then read again.');
    setError(null);
    const at = withTime(when, timeZone);
    const meter = checked
      ? { meterCheckedS: Math.floor(Date.parse(at.happenedAt ?? new Date().toISOString()) / MS) }
      : {};
    const answer = await send({ kind: 'ph_logged', ph: read.value, ...meter }, at);
    if (answer.ok) setText('');
  };
  return (
    <form
      className="sheet space-y-3"
      aria-label="Log a pH"
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
      <h2 className="text-lg font-semibold">pH of the test piece, target {targetPh}</h2>
      <NumberField
        label="The meter shows"
        unit="pH"
        value={text}
        onChange={setText}
        error={error}
        pad
      />
      <NumberPad value={text} onChange={setText} />
      <label className="flex min-h-12 items-center gap-3">
        <input
          type="checkbox"
          className="size-5"
          checked={checked}
          onChange={(e) => setChecked(e.target.checked)}
        />
        This meter was checked in its buffers today
      </label>
      <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
      {message && <Notice tone="bad">{message}</Notice>}
      <button className="button-main min-h-14 w-full text-lg" disabled={busy}>
        Log this pH
      </button>
    </form>
  );
}
