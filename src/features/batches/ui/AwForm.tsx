'use client';

import { useState } from 'react';
import { NumberField, readFigure } from '@/ui/number-field';
import { Notice } from '@/ui/status';
import { withTime } from './EntryButton';
import { useBatch, usePost } from './use-post';
import { WhenField } from './WhenField';

const LOWEST = 0.5;
const MS = 1000;

/** The water activity by the meter, with whether that was checked. */
export function AwForm({ maxAw }: { maxAw: number }) {
  const { canWork, timeZone } = useBatch();
  const { send, busy, message } = usePost();
  const [text, setText] = useState('');
  const [checked, setChecked] = useState(false);
  const [when, setWhen] = useState('');
  const [error, setError] = useState<string | null>(null);
  if (!canWork) return null;
  const submit = async () => {
    const read = readFigure(text);
    if (!read.ok) return setError(read.error);
    if (read.value < LOWEST || read.value > 1)
      return setError('No sausage has this water activity. Check the meter with its salts.');
    setError(null);
    const at = withTime(when, timeZone);
    const meter = checked
      ? { meterCheckedS: Math.floor(Date.parse(at.happenedAt ?? new Date().toISOString()) / MS) }
      : {};
    const outcome = await send({ kind: 'aw_logged', aw: read.value, ...meter }, at);
    if (outcome.ok || outcome.code === 'kept') setText('');
  };
  return (
    <form
      className="sheet max-w-md space-y-3"
      aria-label="Log the water activity"
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
      <h2 className="text-lg font-semibold">Water activity, at most {maxAw}</h2>
      <NumberField
        label="The meter shows"
        unit="a_w"
        value={text}
        onChange={setText}
        error={error}
      />
      <label className="flex min-h-12 items-center gap-3">
        <input
          type="checkbox"
          className="size-5"
          checked={checked}
          onChange={(e) => setChecked(e.target.checked)}
        />
        This meter was checked with its salts today
      </label>
      <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
      {message && <Notice tone="bad">{message}</Notice>}
      <button className="button-main min-h-14 text-lg" disabled={busy}>
        Log the water activity
      </button>
    </form>
  );
}
