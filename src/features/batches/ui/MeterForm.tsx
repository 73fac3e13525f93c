'use client';

import { useState, type ReactNode } from 'react';
import { cleared } from '@/ui/cleared';
import { NumberField, readFigure } from '@/ui/number-field';
import { NumberPad } from '@/ui/number-pad';
import { Said } from '@/ui/status';
import type { PostedBody } from '@/features/logbook/contract';
import { useTaken } from '@/features/readings/ui';
import { useBatch, usePost } from '@/features/logbook/ui';
import { WhenField, withTime } from '@/ui/when-field';

const MS = 1000;

type Props = {
  /** What the form is called, and what stands over it. */
  label: string;
  title: string;
  unit: string;
  /** What the meter can show of a sausage, and what is said where it shows something else. */
  from: number;
  to: number;
  outside: string;
  /** What a check of this meter is; left out where the site's meters say it themselves. */
  checkedWords?: string;
  /** An instrument that says itself what it shows, and puts that into the figure. */
  live?: (take: (text: string, shown: { name: string }) => void) => ReactNode;
  /** What else is told of it. */
  more?: ReactNode;
  /** Something of that cannot be read: nothing is sent before it is put right. */
  unread?: boolean;
  button: string;
  make: (value: number, of: { meterCheckedS?: number; shownBy?: string }) => PostedBody;
};

/** One figure of a meter, with whether that was checked today. */
export function MeterForm(props: Props) {
  const { label, title, unit, from, to, outside, checkedWords, more, unread, live, button, make } =
    props;
  const { timeZone, canWork } = useBatch();
  const { send, busy, message } = usePost();
  const [text, setText] = useState('');
  const taken = useTaken();
  const [when, setWhen] = useState('');
  const [checked, setChecked] = useState(false);
  const [error, setError] = useState<string | null>(null);
  if (!canWork) return null;
  const type = (value: string) => {
    taken.typed();
    setText(value);
  };
  const submit = async () => {
    const read = readFigure(text);
    if (unread) return;
    if (!read.ok) return setError(read.error);
    if (read.value < from || read.value > to) return setError(outside);
    setError(null);
    const at = withTime(when, timeZone);
    const meter = checked
      ? { meterCheckedS: Math.floor(Date.parse(at.happenedAt ?? new Date().toISOString()) / MS) }
      : {};
    const outcome = await send(make(read.value, { ...meter, ...taken.by }), at);
    if (outcome.ok || outcome.code === 'kept') {
      /* Whatever comes next was not shown with this one. */
      taken.typed();
      setText(cleared(text));
    }
  };
  return (
    <form
      className="sheet space-y-3"
      aria-label={label}
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
      <h2 className="text-lg font-semibold">{title}</h2>
      {live?.((value, shown) => {
        setText(value);
        taken.took(shown);
      })}
      <NumberField
        label="The meter shows"
        unit={unit}
        value={text}
        onChange={type}
        error={error}
        pad
      />
      <NumberPad value={text} onChange={type} />
      {more}
      {checkedWords && (
        <label className="flex min-h-12 items-center gap-3">
          <input
            type="checkbox"
            className="size-5"
            checked={checked}
            onChange={(e) => setChecked(e.target.checked)}
          />
          {checkedWords}
        </label>
      )}
      <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
      <Said text={message} />
      <button className="button-main min-h-14 w-full text-lg" disabled={busy}>
        {button}
      </button>
    </form>
  );
}
