'use client';

import { Delete } from 'lucide-react';

const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '−', '0', '.'];

/** Large keys for wet gloves. The text stays plain, so that a keyboard can write into the same field. */
export function NumberPad({
  value,
  onChange,
}: {
  value: string;
  onChange: (text: string) => void;
}) {
  const press = (key: string) => {
    if (key === '−') onChange(value.startsWith('-') ? value.slice(1) : `-${value}`);
    else if (key !== '.' || !value.includes('.')) onChange(value + key);
  };
  return (
    <div className="grid max-w-sm grid-cols-3 gap-2" role="group" aria-label="Number pad">
      {KEYS.map((k) => (
        <button
          key={k}
          type="button"
          onClick={() => press(k)}
          aria-label={k === '−' ? 'minus' : k === '.' ? 'point' : k}
          className="button min-h-14 bg-sheet text-2xl"
        >
          {k}
        </button>
      ))}
      <button
        type="button"
        onClick={() => onChange(value.slice(0, -1))}
        className="button col-span-3"
        aria-label="Delete last digit"
      >
        <Delete aria-hidden="true" /> Delete
      </button>
    </div>
  );
}
