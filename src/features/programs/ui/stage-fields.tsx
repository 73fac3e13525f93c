'use client';

import { useId, type ReactNode } from 'react';

export function Small({
  label,
  unit,
  value,
  onChange,
  problem,
  numeric = true,
  wide = false,
}: {
  label: string;
  unit?: string;
  value: string;
  onChange: (text: string) => void;
  problem?: string;
  numeric?: boolean;
  wide?: boolean;
}) {
  const id = useId();
  return (
    <div className={wide ? 'min-w-36 flex-[2]' : 'w-28 flex-1'}>
      <label htmlFor={id} className="label text-sm">
        {label}
      </label>
      <div className="relative">
        <input
          id={id}
          className={`field min-h-11 ${unit ? 'pr-10' : ''}`}
          inputMode={numeric ? 'decimal' : 'text'}
          autoComplete="off"
          value={value}
          onChange={(e) => onChange(e.target.value)}
          aria-invalid={Boolean(problem)}
          aria-describedby={problem ? `${id}-note` : undefined}
        />
        {unit && (
          <span
            aria-hidden="true"
            className="absolute top-1/2 right-2.5 -translate-y-1/2 text-sm text-soft"
          >
            {unit}
          </span>
        )}
      </div>
      {problem && (
        <p id={`${id}-note`} className="mt-1 text-sm font-semibold text-bad">
          {problem}
        </p>
      )}
    </div>
  );
}

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
