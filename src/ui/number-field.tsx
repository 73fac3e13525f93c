'use client';

import { useId } from 'react';
import { parseNumber } from '@/core';

type Props = {
  label: string;
  unit: string;
  value: string;
  onChange: (text: string) => void;
  error?: string | null;
  hint?: string;
  autoFocus?: boolean;
  /** A number pad stands beside the field: no keyboard comes up over it. */
  pad?: boolean;
};

/** A figure with its unit inside the field and its error under it, in words. */
export function NumberField({ label, unit, value, onChange, error, hint, autoFocus, pad }: Props) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="label">
        {label}
      </label>
      <div className="relative">
        <input
          id={id}
          inputMode={pad ? 'none' : 'decimal'}
          autoComplete="off"
          autoFocus={autoFocus}
          value={value}
          onChange={(e) => onChange(e.target.value)}
          className="field pr-14"
          aria-invalid={Boolean(error)}
          aria-describedby={`${id}-note`}
        />
        <span aria-hidden="true" className="absolute top-1/2 right-3 -translate-y-1/2 text-soft">
          {unit}
        </span>
      </div>
      <p
        id={`${id}-note`}
        className={`mt-1 text-sm ${error ? 'font-semibold text-bad' : 'text-soft'}`}
      >
        {error ?? hint ?? ''}
      </p>
    </div>
  );
}

/** Reads a typed figure; the error says what is wrong and what to do. */
export function readFigure(
  text: string,
): { ok: true; value: number } | { ok: false; error: string } {
  const parsed = parseNumber(text);
  if (parsed.kind === 'ok') return { ok: true, value: parsed.value };
  if (parsed.kind === 'empty') return { ok: false, error: 'Give a number.' };
  if (parsed.kind === 'ambiguous')
    return {
      ok: false,
      error: `Is this ${parsed.readings[0]} or ${parsed.readings[1]}? Write it without the comma.`,
    };
  return {
    ok: false,
    error: 'This is not a number. Write digits, with a point or a comma for decimals.',
  };
}
