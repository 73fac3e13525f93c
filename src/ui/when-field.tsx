'use client';

import { DateTime } from 'luxon';
import { useState, type ReactNode } from 'react';
import { instantS, localOf } from '@/ui/local-time';
import { TimeField } from '@/ui/time-field';
import { useShow } from '@/ui/show-context';

/** When it happened: now, unless an earlier time is given. The value is local wall time; empty means now. */
export function WhenField({
  value,
  onChange,
  timeZone,
}: {
  value: string;
  onChange: (local: string) => void;
  timeZone: string;
}) {
  if (value === '') {
    return (
      <button
        type="button"
        className="block min-h-12 cursor-pointer text-left text-soft underline"
        onClick={() => onChange(localOf(DateTime.now().toSeconds(), timeZone))}
      >
        Happened now. Change the time
      </button>
    );
  }
  return (
    <TimeField
      label={`When it happened (${timeZone})`}
      step={1}
      value={value}
      onChange={onChange}
    />
  );
}

/** The instant of a local wall time in the site's zone; undefined for "now". */
export function instantOf(local: string, timeZone: string): string | undefined {
  const at = instantS(local, timeZone);
  return at === null ? undefined : new Date(at * 1000).toISOString();
}

/** What goes with an entry that happened earlier; nothing for "now". */
export const withTime = (when: string, timeZone: string) => {
  const happenedAt = instantOf(when, timeZone);
  return happenedAt ? { happenedAt } : {};
};

/** When what a form records happened: now, until an earlier time is given; now again once that was used. */
export function useWhen(): { at: { happenedAt?: string }; field: ReactNode; again: () => void } {
  const { timeZone } = useShow().settings;
  const [value, setValue] = useState('');
  return {
    at: withTime(value, timeZone),
    field: <WhenField value={value} onChange={setValue} timeZone={timeZone} />,
    again: () => setValue(''),
  };
}
