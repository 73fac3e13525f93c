'use client';

import type { ReactNode } from 'react';
import { TextField } from '@/ui/text-field';

export const Small = ({
  numeric = true,
  wide = false,
  problem,
  onChange,
  ...field
}: {
  label: string;
  unit?: string;
  value: string;
  onChange: (text: string) => void;
  problem?: string;
  numeric?: boolean;
  wide?: boolean;
}) => (
  <TextField
    {...field}
    dense
    error={problem}
    inputMode={numeric ? 'decimal' : 'text'}
    wrap={wide ? 'min-w-36 flex-[2]' : 'w-28 flex-1'}
    onChange={(e) => onChange(e.target.value)}
  />
);

export function Check({
  checked,
  onChange,
  children,
}: {
  checked: boolean;
  onChange: (on: boolean) => void;
  children: ReactNode;
}) {
  return (
    <label className="flex min-h-11 items-center gap-2 pr-2 font-semibold">
      <input
        type="checkbox"
        className="size-6"
        checked={checked}
        onChange={(e) => onChange(e.target.checked)}
      />
      {children}
    </label>
  );
}
