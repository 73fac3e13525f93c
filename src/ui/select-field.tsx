'use client';

import { useId } from 'react';

/** One of several, label above: the value that is chosen, and what each is called. */
export function SelectField<T extends string>({
  label,
  value,
  options,
  onChange,
  wrap,
  dense = false,
}: {
  label: string;
  value: T;
  options: readonly (readonly [value: T, words: string])[];
  onChange: (value: T) => void;
  /** Of the whole field: how it grows in its row. */
  wrap?: string;
  dense?: boolean;
}) {
  const id = useId();
  return (
    <div className={wrap}>
      <label htmlFor={id} className={dense ? 'label text-sm' : 'label'}>
        {label}
      </label>
      <select
        id={id}
        className={dense ? 'field min-h-11' : 'field'}
        value={value}
        onChange={(e) => onChange(e.target.value as T)}
      >
        {options.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </select>
    </div>
  );
}
