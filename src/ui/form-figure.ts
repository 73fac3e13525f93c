import { parseNumber } from '@/core';

/** A figure of a form: undefined when empty, NaN when no number or not sure, which the contract refuses. */
export function formFigure(v: FormDataEntryValue | null): number | undefined {
  const read = parseNumber(String(v ?? ''));
  if (read.kind === 'empty') return undefined;
  return read.kind === 'ok' ? read.value : Number.NaN;
}
