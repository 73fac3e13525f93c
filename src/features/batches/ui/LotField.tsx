'use client';

import type { LotChoice } from '@/features/stores/contract';
import { useShow } from '@/ui/show-context';
import { Select } from '@/ui/select-field';

type Props = {
  lots: LotChoice[];
  value: string;
  onChange: (lotId: string) => void;
};

/** The lot that a line is weighed from; the first to be used stands on top. */
export function LotField({ lots, value, onChange }: Props) {
  const show = useShow();
  if (lots.length === 0)
    return <p className="small">The stores hold no lot of this; it is weighed without one.</p>;
  return (
    <Select label="From lot" value={value} onChange={(e) => onChange(e.target.value)}>
      {lots.map((l) => (
        <option key={l.id} value={l.id}>
          {l.code}
          {l.nitriteFraction === null ? '' : `, ${show.number(l.nitriteFraction * 100, 2)} %`},{' '}
          {show.mass(l.leftG)} left
          {l.useBy ? `, use by ${l.useBy}` : ''}
          {l.owner ? `, of ${l.owner}` : ''}
          {l.problems.length > 0 ? ' (needs a decision)' : ''}
        </option>
      ))}
      <option value="">not from a lot of the stores</option>
    </Select>
  );
}
