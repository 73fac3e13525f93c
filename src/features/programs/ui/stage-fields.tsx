'use client';

import { useId, type ReactNode } from 'react';
import { UnitInput } from '@/ui/unit-input';

export const Small = ({
  wide = false,
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
  <UnitInput
    {...field}
    wrap={wide ? 'min-w-36 flex-[2]' : 'w-28 flex-1'}
    onChange={(e) => onChange(e.target.value)}
  />
);

export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
}) {
  const id = useId();
  return (
    <div className="w-32">
      <label htmlFor={id} className="label text-sm">
        {label}
      </label>
      <select
        id={id}
        className="field min-h-11"
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
