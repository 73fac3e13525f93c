'use client';

import { useId, type ComponentProps, type ReactNode } from 'react';

type BaseProps = Omit<ComponentProps<'select'>, 'id' | 'className'> & {
  label: string;
  dense?: boolean;
  /** The label is read out only: what it is stands beside it. */
  quiet?: boolean;
  /** Of the whole field: how it grows in its row. */
  wrap?: string;
  children: ReactNode;
};

/** The one field in which one of several is chosen, label above. Controlled, registered, or of a plain form. */
export function Select({ label, dense, quiet, wrap, ...select }: BaseProps) {
  const id = useId();
  return (
    <div className={wrap}>
      <label htmlFor={id} className={quiet ? 'sr-only' : dense ? 'label text-sm' : 'label'}>
        {label}
      </label>
      <select {...select} id={id} className={dense ? 'field min-h-12' : 'field'} />
    </div>
  );
}

/** What can be chosen, each with what it is called. */
export const Options = ({
  of,
}: {
  of: readonly (readonly [value: string, words: string])[];
}): ReactNode =>
  of.map(([value, words]) => (
    <option key={value} value={value}>
      {words}
    </option>
  ));

/** One of several values of a type: the value that is chosen, and what each is called. */
export function SelectField<T extends string>({
  options,
  onChange,
  ...select
}: {
  label: string;
  value: T;
  options: readonly (readonly [value: T, words: string])[];
  onChange: (value: T) => void;
  wrap?: string;
  dense?: boolean;
  quiet?: boolean;
}) {
  return (
    <Select {...select} onChange={(e) => onChange(e.target.value as T)}>
      <Options of={options} />
    </Select>
  );
}
