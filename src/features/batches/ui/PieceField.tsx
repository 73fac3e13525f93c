'use client';

import { useId } from 'react';
import { TextField } from '@/ui/text-field';

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
    <>
      <TextField
        label={label}
        list={id}
        maxLength={60}
        placeholder={`e.g. ${example}`}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
      <datalist id={id}>
        {known.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
    </>
  );
}
