'use client';

import { useId, useState } from 'react';
import { instantS, wallOf, wallTime, type Pass } from './local-time';
import { useShow } from './show-context';
import { TextField } from './text-field';

type Props = {
  label: string;
  /** Wall time in the site's zone, with an offset where the hour comes twice. */
  value: string;
  onChange: (local: string) => void;
  error?: string;
  /** Seconds between two times that can be chosen. */
  step?: number;
  required?: boolean;
};

const PASSES = ['The first', 'The second'];

/**
 * The one field for a day and a time, by the site's clock. Where the clock is set back, it asks which of the two hours is
 * meant and takes the first until told; where it is set on, it says what a time that is left out is taken as.
 */
export function TimeField({ label, value, onChange, error, step, required }: Props) {
  const { timeZone } = useShow().settings;
  const group = useId();
  const wall = wallOf(value);
  const time = wallTime(wall, timeZone);
  const isMeant = (p: Pass) => instantS(p.value, timeZone) === instantS(value, timeZone);
  const meant = time.kind === 'twice' ? Math.max(0, time.passes.findIndex(isMeant)) : 0;
  const type = (typed: string) => {
    const then = wallTime(typed, timeZone);
    onChange(then.kind === 'twice' ? then.passes[meant]!.value : typed);
  };
  return (
    <div className="space-y-2">
      <TextField
        label={label}
        type="datetime-local"
        step={step}
        required={required}
        value={wall}
        onChange={(e) => type(e.target.value)}
        error={error || undefined}
        hint={
          time.kind === 'never'
            ? `The clock is set on that night and leaves this hour out: it is taken as ${time.as}.`
            : undefined
        }
      />
      {time.kind === 'twice' && (
        <fieldset>
          <legend className="text-sm text-soft">
            {label}: the clock is set back, this hour comes twice
          </legend>
          {time.passes.map((p, i) => (
            <label key={p.offset} className="flex min-h-12 items-center gap-3">
              <input
                type="radio"
                className="size-6"
                name={group}
                checked={i === meant}
                onChange={() => onChange(p.value)}
              />
              {PASSES[i]} (UTC{p.offset})
            </label>
          ))}
        </fieldset>
      )}
    </div>
  );
}

/** The same in a form that is read by names. */
export function NamedTimeField({
  name,
  value = '',
  ...field
}: Omit<Props, 'value' | 'onChange'> & { name: string; value?: string }) {
  const [local, setLocal] = useState(value);
  return (
    <div>
      <input type="hidden" name={name} value={local} />
      <TimeField {...field} value={local} onChange={setLocal} required />
    </div>
  );
}
