'use client';

import { useState } from 'react';
import { toBase, unitSymbol, type StepName } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { withTime } from './EntryButton';
import { useBatch, usePost } from './use-post';
import { WhenField } from './WhenField';
import { STEP_WORDS } from './words';

/** A step that ends with a weight: stuffed, packed. */
export function StepWeight({ step, label }: { step: StepName; label: string }) {
  const show = useShow();
  const { timeZone, canWork } = useBatch();
  const { send, busy, message } = usePost();
  const [text, setText] = useState('');
  const [when, setWhen] = useState('');
  const [error, setError] = useState<string | null>(null);
  if (!canWork) return null;
  const submit = () => {
    const read = readFigure(text);
    const good = read.ok && read.value > 0;
    setError(read.ok ? (good ? null : 'The weight must be more than 0.') : read.error);
    if (read.ok && good)
      void send(
        { kind: 'step_done', step, weightG: toBase('mass', read.value, show.settings.system) },
        withTime(when, timeZone),
      );
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
        label={label}
        unit={unitSymbol('mass', show.settings.system)}
        value={text}
        onChange={setText}
        error={error}
      />
      <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
      {message && <Notice tone="bad">{message}</Notice>}
      <button className="button-main min-h-14 text-lg" disabled={busy}>
        {STEP_WORDS[step]} done
      </button>
    </form>
  );
}
