'use client';

import { useState } from 'react';
import { NumberField } from '@/ui/number-field';
import { NumberPad } from '@/ui/number-pad';

export type TempField = {
  key: string;
  label: string;
  value: string;
  onChange: (text: string) => void;
  error?: string | null;
};

/** One or two figures with one pad of large keys: it types into the field that was touched last, the last one at first. */
export function TempPair({
  fields,
  unit,
  first,
}: {
  fields: TempField[];
  unit: string;
  first?: string;
}) {
  const [active, setActive] = useState(first ?? fields.at(-1)!.key);
  const field = fields.find((f) => f.key === active) ?? fields.at(-1)!;
  return (
    <div className="grid gap-2 sm:grid-cols-2">
      <div className={fields.length > 1 ? 'grid grid-cols-2 gap-2 self-start' : 'self-start'}>
        {fields.map((f) => (
          <div
            key={f.key}
            onFocusCapture={() => setActive(f.key)}
            className={fields.length > 1 && f.key === field.key ? 'rounded ring-2 ring-accent' : ''}
          >
            <NumberField
              label={f.label}
              unit={unit}
              value={f.value}
              onChange={f.onChange}
              error={f.error}
              pad
            />
          </div>
        ))}
      </div>
      <NumberPad value={field.value} onChange={field.onChange} />
    </div>
  );
}
