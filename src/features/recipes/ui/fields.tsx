'use client';

import { X } from 'lucide-react';
import { Options, Select } from '@/ui/select-field';
import { TextField } from '@/ui/text-field';
import { useFormContext, useFormState, type FieldPath } from 'react-hook-form';
import type { Draft } from '../draft';

type Common = { name: FieldPath<Draft>; label: string; className?: string };

/** What is wrong with a field, in words under it; only this line is drawn anew when it changes. */
function useProblem(name: FieldPath<Draft>): string | undefined {
  const { getFieldState } = useFormContext<Draft>();
  const state = useFormState<Draft>({ name });
  return getFieldState(name, state).error?.message;
}

/** A text or figure of the draft, its unit inside the field. */
export function Text({
  name,
  label,
  unit,
  numeric = true,
  className = 'min-w-24 flex-1',
  list,
  placeholder,
  onPicked,
}: Common & {
  unit?: string;
  numeric?: boolean;
  list?: string;
  placeholder?: string;
  onPicked?: (value: string) => void;
}) {
  const { register } = useFormContext<Draft>();
  return (
    <TextField
      dense
      label={label}
      unit={unit}
      inputMode={numeric ? 'decimal' : 'text'}
      wrap={className}
      list={list}
      placeholder={placeholder}
      error={useProblem(name)}
      {...register(name, { onChange: (e) => onPicked?.(String(e.target.value)) })}
    />
  );
}

/** One of several words. */
export function Pick({
  name,
  label,
  options,
  className = 'min-w-28 flex-1',
}: Common & { options: readonly (readonly [value: string, word: string])[] }) {
  const { register } = useFormContext<Draft>();
  return (
    <Select dense label={label} wrap={className} {...register(name)}>
      <Options of={options} />
    </Select>
  );
}

export function Tick({ name, label }: Common) {
  const { register } = useFormContext<Draft>();
  return (
    <label className="flex min-h-11 items-center gap-2">
      <input type="checkbox" className="size-5" {...register(name)} /> {label}
    </label>
  );
}

/** Takes a line out of a list. */
export const RemoveLine = ({ what, onClick }: { what: string; onClick: () => void }) => (
  <button
    type="button"
    className="flex size-11 shrink-0 cursor-pointer items-center justify-center rounded-md border border-line text-soft hover:border-bad hover:text-bad"
    aria-label={`Remove ${what}`}
    title={`Remove ${what}`}
    onClick={onClick}
  >
    <X size={20} aria-hidden="true" />
  </button>
);

/** A heading with what belongs under it. */
export function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <fieldset className="sheet space-y-2">
      <legend className="px-1 text-lg font-semibold">{title}</legend>
      {children}
    </fieldset>
  );
}

export const wordPairs = <K extends string>(words: Record<K, string>): [K, string][] =>
  Object.entries(words) as [K, string][];
