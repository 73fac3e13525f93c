'use client';

import { useId, type ComponentProps } from 'react';

type Props = Omit<ComponentProps<'input'>, 'id'> & {
  label: string;
  unit?: string;
  problem?: string;
  numeric?: boolean;
  /** Of the whole field: how it grows in its row. */
  wrap: string;
};

/** A small field of a dense form: label above, unit inside, what is wrong under it in words. */
export function UnitInput({ label, unit, problem, numeric = true, wrap, ...input }: Props) {
  const id = useId();
  return (
    <div className={wrap}>
      <label htmlFor={id} className="label text-sm">
        {label}
      </label>
      <div className="relative">
        <input
          {...input}
          id={id}
          className={`field min-h-11 ${unit ? 'pr-10' : ''}`}
          inputMode={numeric ? 'decimal' : 'text'}
          autoComplete="off"
          aria-invalid={Boolean(problem)}
          aria-describedby={problem ? `${id}-note` : undefined}
        />
        {unit && (
          <span
            aria-hidden="true"
            className="absolute top-1/2 right-2.5 -translate-y-1/2 text-sm text-soft"
          >
            {unit}
          </span>
        )}
      </div>
      {problem && (
        <p id={`${id}-note`} className="mt-1 text-sm font-semibold text-bad">
          {problem}
        </p>
      )}
    </div>
  );
}
