'use client';

import { useId } from 'react';

type Props<K extends string> = {
  label: string;
  options: readonly (readonly [value: K, word: string])[];
  value: K;
  onChange: (value: K) => void;
};

/** One of a few words, all in sight. */
export function RadioRow<K extends string>({ label, options, value, onChange }: Props<K>) {
  const name = useId();
  return (
    <div role="radiogroup" aria-label={label} className="flex flex-wrap gap-x-4">
      {options.map(([key, word]) => (
        <label key={key} className="flex min-h-12 items-center gap-2">
          <input
            type="radio"
            className="size-5"
            name={name}
            checked={value === key}
            onChange={() => onChange(key)}
          />
          {word}
        </label>
      ))}
    </div>
  );
}
