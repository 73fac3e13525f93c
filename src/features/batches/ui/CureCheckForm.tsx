'use client';

import { useEffect, useRef, useState } from 'react';
import type { Weighing } from '@/core';
import { NumberField, readFigure } from '@/ui/number-field';
import { NumberPad } from '@/ui/number-pad';
import { Notice, Said } from '@/ui/status';
import { useBatch, usePost } from '@/features/logbook/ui';
import { WhenField, withTime } from '@/ui/when-field';

/** The second look: the first reading is not shown, so that it is read and not repeated. */
export function CureCheckForm({ cure }: { cure: Pick<Weighing, 'entryId' | 'load' | 'by'> }) {
  const { personId, timeZone, canWork } = useBatch();
  const { send, busy, message } = usePost();
  const [text, setText] = useState('');
  const [when, setWhen] = useState('');
  const [error, setError] = useState<string | null>(null);
  const form = useRef<HTMLFormElement>(null);
  /* It takes the place of the list that was worked on: what comes next is where it can be read. */
  useEffect(() => {
    form.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  if (!canWork) return <Notice tone="wait">The cure waits for its second look.</Notice>;
  const alone = cure.by.id === personId;
  const submit = () => {
    const read = readFigure(text);
    setError(read.ok ? (read.value > 0 ? null : 'The scale must show more than 0.') : read.error);
    if (read.ok && read.value > 0)
      void send(
        { kind: 'cure_checked', weighedId: cure.entryId, readingG: read.value },
        withTime(when, timeZone),
      );
  };
  return (
    <form
      ref={form}
      className="rounded-lg border-2 border-cure bg-cure-wash p-4"
      aria-label="Second look at the cure"
      onSubmit={(e) => {
        e.preventDefault();
        submit();
      }}
    >
      <h2 className="text-lg font-semibold text-cure">
        Second look at the cure{cure.load === null ? '' : `, load ${cure.load}`}
      </h2>
      <p className="mb-3">
        {alone
          ? 'You weighed it yourself. Better: let another signed-in person read the scale. Alone: take the cup off, put it back, and read the scale again. The record says which.'
          : `${cure.by.name} weighed it. Read the scale yourself.`}
      </p>
      <div className="grid gap-4 sm:grid-cols-2">
        <div className="space-y-3">
          <NumberField
            label="The scale shows"
            unit="g"
            value={text}
            onChange={setText}
            error={error}
            pad
          />
        </div>
        <div className="sm:col-start-2 sm:row-span-2 sm:row-start-1">
          <NumberPad value={text} onChange={setText} />
        </div>
        <div className="space-y-3">
          <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
          <Said text={message} />
          <button className="button-main w-full text-lg" disabled={busy}>
            Record the second look
          </button>
        </div>
      </div>
    </form>
  );
}
