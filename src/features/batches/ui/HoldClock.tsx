'use client';

import { useState } from 'react';
import { toBase, unitSymbol } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { withTime } from './EntryButton';
import { useBatch, usePost } from './use-post';
import { WhenField } from './WhenField';

/** Starts or ends the cure hold with the cooler's temperature. */
export function HoldClock({ kind }: { kind: 'cure_hold_started' | 'cure_hold_ended' }) {
  const show = useShow();
  const { timeZone, canWork } = useBatch();
  const { send, busy, message } = usePost();
  const [text, setText] = useState('');
  const [when, setWhen] = useState('');
  const [error, setError] = useState<string | null>(null);
  if (!canWork) return null;
  const submit = () => {
    const read = readFigure(text);
    setError(read.ok ? null : read.error);
    if (!read.ok) return;
    const coolerC = toBase('temperature', read.value, show.settings.system);
    if (coolerC < -30 || coolerC > 40)
      return setError(
        `No cooler is at ${show.temp(coolerC)}. Read it again, and look at the unit.`,
      );
    void send({ kind, coolerC }, withTime(when, timeZone));
  };
  return (
    <form
      className="max-w-sm space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      <NumberField
        label="The cooler shows"
        unit={unitSymbol('temperature', show.settings.system)}
        value={text}
        onChange={setText}
        error={error}
      />
      <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
      {message && <Notice tone="bad">{message}</Notice>}
      <button className="button-main min-h-14 text-lg" disabled={busy}>
        {kind === 'cure_hold_started' ? 'Start the cure hold' : 'End the cure hold'}
      </button>
    </form>
  );
}
