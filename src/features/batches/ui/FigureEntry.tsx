'use client';

import { useState } from 'react';
import { toBase, unitSymbol, type Quantity } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';
import { AskAgain, useQuestion } from '@/ui/question';
import { Said } from '@/ui/status';
import { missingQuestion, type Missing } from '@/ui/missing-question';
import type { PostedBody } from '@/features/logbook/contract';
import { useBatch, usePost } from '@/features/logbook/ui';
import { WhenField, withTime } from '@/ui/when-field';

type Props = {
  label: string;
  quantity: Quantity;
  button: string;
  /** Words when the figure cannot be, else null. */
  refuse: (base: number) => string | null;
  make: (base: number, tempC: number | undefined) => PostedBody;
  /** A temperature that is measured with it; empty where nobody did. */
  tempLabel?: string;
  /** Why a figure is odd, in words, else null: asked before it is recorded. */
  odd?: (base: number) => string | null;
  /** How a figure is said back. */
  say: (base: number) => string;
  /** What is missing for it: listed and asked first. */
  before?: Missing;
};

/** An entry that is one figure and the time it happened. */
export function FigureEntry(props: Props) {
  const { label, quantity, button, refuse, make, odd, say, tempLabel, before = [] } = props;
  const show = useShow();
  const { timeZone, canWork } = useBatch();
  const { send, busy, message } = usePost();
  const [text, setText] = useState('');
  const [temp, setTemp] = useState('');
  const [tempError, setTempError] = useState<string | null>(null);
  const [when, setWhen] = useState('');
  const [error, setError] = useState<string | null>(null);
  const q = useQuestion();
  if (!canWork) return null;
  const { system } = show.settings;
  const submit = () => {
    const read = readFigure(text);
    const base = read.ok ? toBase(quantity, read.value, system) : 0;
    const problem = read.ok ? refuse(base) : read.error;
    setError(problem);
    const measured = temp.trim() === '' ? null : readFigure(temp);
    setTempError(measured && !measured.ok ? measured.error : null);
    if (problem !== null || (measured && !measured.ok)) return;
    const tempC = measured?.ok ? toBase('temperature', measured.value, system) : undefined;
    const record = () => void send(make(base, tempC), withTime(when, timeZone));
    const strange = odd?.(base) ?? null;
    const sure = () =>
      strange === null
        ? record()
        : q.ask({
            words: <p>{strange}</p>,
            answers: [{ label: `Yes, record ${say(base)}`, act: record }],
          });
    if (before.length > 0) q.ask(missingQuestion(before, button, sure));
    else sure();
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
      {tempLabel !== undefined && (
        <NumberField
          label={tempLabel}
          unit={unitSymbol('temperature', system)}
          value={temp}
          onChange={setTemp}
          error={tempError}
        />
      )}
      <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
      <AskAgain {...q} />
      <Said text={message} />
      <button className="button-main min-h-14 text-lg" disabled={busy}>
        {button}
      </button>
    </form>
  );
}
