'use client';

import { DateTime } from 'luxon';
import { instantS } from '@/ui/local-time';
import { TextField } from '@/ui/text-field';

const FORMAT = "yyyy-MM-dd'T'HH:mm";

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
        onClick={() => onChange(DateTime.now().setZone(timeZone).toFormat(FORMAT))}
      >
        Happened now. Change the time
      </button>
    );
  }
  return (
    <TextField
      label={`When it happened (${timeZone})`}
      type="datetime-local"
      step={1}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}

/** An instant as local wall time in the site's zone, to the second. */
export const localOf = (epochS: number, timeZone: string) =>
  DateTime.fromSeconds(epochS, { zone: timeZone }).toFormat("yyyy-MM-dd'T'HH:mm:ss");

/** The instant of a local wall time in the site's zone; undefined for "now". */
export function instantOf(local: string, timeZone: string): string | undefined {
  const at = instantS(local, timeZone);
  return at === null ? undefined : new Date(at * 1000).toISOString();
}
