'use client';

import { useState } from 'react';
import { toBase, unitSymbol, type Quantity } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import type { PostedBody } from '../contract';
import { withTime } from './EntryButton';
import { useBatch, usePost } from './use-post';
import { WhenField } from './WhenField';

type Props = {
  label: string;
  quantity: Quantity;
  button: string;
  /** Words when the figure cannot be, else null. */
  refuse: (base: number) => string | null;
  make: (base: number) => PostedBody;
};

/** An entry that is one figure and the time it happened. */
export function FigureEntry({ label, quantity, button, refuse, make }: Props) {
  const show = useShow();
  const { timeZone, canWork } = useBatch();
  const { send, busy, message } = usePost();
  const [text, setText] = useState('');
  const [when, setWhen] = useState('');
  const [error, setError] = useState<string | null>(null);
  if (!canWork) return null;
  const { system } = show.settings;
  const submit = () => {
    const read = readFigure(text);
    const base = read.ok ? toBase(quantity, read.value, system) : 0;
    const problem = read.ok ? refuse(base) : read.error;
    setError(problem);
    if (problem === null) void send(make(base), withTime(when, timeZone));
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
        unit={unitSymbol(quantity, system)}
        value={text}
        onChange={setText}
        error={error}
      />
      <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
      {message && <Notice tone="bad">{message}</Notice>}
      <button className="button-main min-h-14 text-lg" disabled={busy}>
        {button}
      </button>
    </form>
  );
}
