'use client';

import { useId } from 'react';

/** Which piece a core is measured in: needed only where there is more than one, and free to name. */
export function PieceField({
  value,
  onChange,
  known,
}: {
  value: string;
  onChange: (name: string) => void;
  known: readonly string[];
}) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="label">
        Which piece, where more than one is measured
      </label>
      <input
        id={id}
        className="field"
        list={`${id}-known`}
        maxLength={60}
        autoComplete="off"
        placeholder="e.g. back left"
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
