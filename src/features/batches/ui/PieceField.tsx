'use client';

import { useId } from 'react';

/** Which piece a core is measured in: needed only where there is more than one, and free to name. */
export function PieceField({
  value,
  onChange,
  known,
  label = 'Which piece, where more than one is measured',
  example = 'back left',
}: {
  value: string;
  onChange: (name: string) => void;
  known: readonly string[];
  label?: string;
  example?: string;
}) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="label">
        {label}
      </label>
      <input
        id={id}
        className="field"
        list={`${id}-known`}
        maxLength={60}
        autoComplete="off"
        placeholder={`e.g. ${example}`}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
      <datalist id={`${id}-known`}>
        {known.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
    </div>
  );
}
