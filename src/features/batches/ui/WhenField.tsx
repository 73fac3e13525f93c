'use client';

import { DateTime } from 'luxon';
import { instantS, localOf } from '@/ui/local-time';
import { TimeField } from '@/ui/time-field';

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
