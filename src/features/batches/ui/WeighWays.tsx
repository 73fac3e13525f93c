'use client';

import { useState } from 'react';
import { NumberField, readFigure } from '@/ui/number-field';
import { TextField } from '@/ui/text-field';

/** How a line was weighed otherwise than on the scale, and what stood in for it. */
export type WeighWays = { jug?: { beforeG: number; afterG: number }; standIn?: string };

/** Poured by feel from a jug that is weighed before and after; another grade of the same in its place. */
export function WeighWaysFields({
  ways,
  onChange,
  onPoured,
}: {
  ways: WeighWays;
  onChange: (w: WeighWays) => void;
  /** What was poured, g, as the amount. */
  onPoured: (text: string) => void;
}) {
  const [before, setBefore] = useState('');
  const [after, setAfter] = useState('');
  const pour = (b: string, a: string) => {
    setBefore(b);
    setAfter(a);
    const [full, left] = [readFigure(b), readFigure(a)];
    if (!full.ok || !left.ok || left.value >= full.value)
      return onChange({ ...ways, jug: undefined });
    onChange({ ...ways, jug: { beforeG: full.value, afterG: left.value } });
    onPoured(String(Number((full.value - left.value).toFixed(3))));
  };
  return (
    <details>
      <summary className="min-h-12 cursor-pointer py-3 text-soft">
        Poured by feel, or another grade
      </summary>
      <div className="grid grid-cols-2 gap-2">
        <NumberField label="Jug before" unit="g" value={before} onChange={(t) => pour(t, after)} />
        <NumberField label="Jug after" unit="g" value={after} onChange={(t) => pour(before, t)} />
        <TextField
          wrap="col-span-2"
          label="Another grade of it"
          hint="One pepper for another, while the total stays."
          value={ways.standIn ?? ''}
          onChange={(e) =>
            onChange({ ...ways, standIn: e.target.value === '' ? undefined : e.target.value })
          }
        />
      </div>
    </details>
  );
}
