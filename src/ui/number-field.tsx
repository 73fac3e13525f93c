'use client';

import { parseNumber } from '@/core';
import { TextField } from './text-field';

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
export const NumberField = ({ onChange, pad, ...field }: Props) => (
  <TextField
    {...field}
    inputMode={pad ? 'none' : 'decimal'}
    onChange={(e) => onChange(e.target.value)}
  />
);

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
