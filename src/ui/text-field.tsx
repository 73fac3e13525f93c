'use client';

import { useId, type ComponentProps } from 'react';

type Props = Omit<ComponentProps<'input'>, 'id' | 'className'> & {
  label: string;
  unit?: string;
  /** What is wrong with it, in words. */
  error?: string | null;
  hint?: string;
  /** Of a dense form: smaller, and no line for an error where there is none. */
  dense?: boolean;
  /** The label is read out only: what it is stands beside it. */
  quiet?: boolean;
  /** Of the whole field: how it grows in its row. */
  wrap?: string;
};

/** The one field of a line that is typed: label above, unit inside, hint or what is wrong under it. Controlled, registered, or of a plain form. */
export function TextField({ label, unit, error, hint, dense, quiet, wrap, ...input }: Props) {
  const id = useId();
  const note = error ?? hint;
  return (
    <div className={wrap}>
      <label htmlFor={id} className={quiet ? 'sr-only' : dense ? 'label text-sm' : 'label'}>
        {label}
      </label>
      <div className="relative">
        <input
          autoComplete="off"
          {...input}
          id={id}
          className={`field ${dense ? 'min-h-12' : ''} ${unit ? (dense ? 'pr-10' : 'pr-14') : ''}`}
          aria-invalid={Boolean(error)}
          aria-describedby={note ? `${id}-note` : undefined}
        />
        {unit && (
          <span
            aria-hidden="true"
            className={`absolute top-1/2 -translate-y-1/2 text-soft ${dense ? 'right-2.5 text-sm' : 'right-3'}`}
          >
            {unit}
          </span>
        )}
      </div>
      {note && (
        <p
          id={`${id}-note`}
          className={`mt-1 text-sm ${error ? 'font-semibold text-bad' : 'text-soft'}`}
        >
          {note}
        </p>
      )}
    </div>
  );
}
