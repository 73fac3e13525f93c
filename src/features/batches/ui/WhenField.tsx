'use client';

import { DateTime } from 'luxon';
import { useId } from 'react';

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
  const id = useId();
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
    <div>
      <label htmlFor={id} className="label">
        When it happened ({timeZone})
      </label>
      <input
        id={id}
        type="datetime-local"
        step={1}
        className="field"
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
    </div>
  );
}

/** An instant as local wall time in the site's zone, to the second. */
export const localOf = (epochS: number, timeZone: string) =>
  DateTime.fromSeconds(epochS, { zone: timeZone }).toFormat("yyyy-MM-dd'T'HH:mm:ss");

/** The instant of a local wall time in the site's zone; undefined for "now". */
export function instantOf(local: string, timeZone: string): string | undefined {
  if (local === '') return undefined;
  const at = DateTime.fromISO(local, { zone: timeZone });
  return at.isValid ? (at.toUTC().toISO() ?? undefined) : undefined;
}
