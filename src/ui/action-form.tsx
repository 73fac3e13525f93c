'use client';

import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import type { ActionResult } from './action-result';
import { problemWords } from '@/words/problems';
import { Select } from './select-field';
import { Notice } from './status';
import { TextField } from './text-field';

type Props<R> = {
  action: (input: unknown) => Promise<ActionResult<R>>;
  read: (form: FormData) => unknown;
  label: string;
  done?: string | ((data: R) => string);
  then?: string;
  /** Empties the form once it has been taken. */
  clear?: boolean;
  children: ReactNode;
};

/** A small form around one action: what it says is checked on the server, and nothing typed is lost. */
export function ActionForm<R>({
  action,
  read,
  label,
  done = 'Saved.',
  then,
  clear,
  children,
}: Props<R>) {
  const router = useRouter();
  const [note, setNote] = useState<{ tone: 'bad' | 'good'; text: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = async (form: HTMLFormElement) => {
    setBusy(true);
    const answer = await action(read(new FormData(form))).catch(() => null);
    setBusy(false);
    if (!answer)
      return setNote({ tone: 'bad', text: 'No link to the server. Nothing is lost: try again.' });
    if (!answer.ok)
      return setNote({
        tone: 'bad',
        text: problemWords(answer.code, answer.fields),
      });
    if (then) return void (window.location.href = then);
    if (clear) form.reset();
    setNote({ tone: 'good', text: typeof done === 'function' ? done(answer.data) : done });
    router.refresh();
  };
  return (
    <form
      className="space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        void submit(e.currentTarget);
      }}
    >
      {children}
      {note && (
        <Notice tone={note.tone}>
          <span className="break-words">{note.text}</span>
        </Notice>
      )}
      <button className="button-main" disabled={busy}>
        {label}
      </button>
    </form>
  );
}

/** A field of a small form, by its name; one to choose from where it has options. */
export function Field({
  name,
  label,
  type = 'text',
  value,
  optional = false,
  children,
}: {
  name: string;
  label: string;
  type?: string;
  value?: string;
  optional?: boolean;
  children?: ReactNode;
}) {
  if (children)
    return (
      <Select label={label} name={name} defaultValue={value}>
        {children}
      </Select>
    );
  return (
    <TextField
      label={label}
      name={name}
      type={type}
      defaultValue={value}
      required={!optional}
      autoComplete={type === 'password' ? 'new-password' : 'off'}
    />
  );
}
