'use client';

import { useRouter } from 'next/navigation';
import { useId, useState, type ReactNode } from 'react';
import type { ActionResult } from './action-result';
import { Notice } from './status';

const WORDS: Record<string, string> = {
  disk_full: 'The disk of the database is full. Make room, then try again; nothing is lost here.',
  no_database: 'The database is away for the moment. Nothing is lost here: try again.',
  bad_input: 'Something is not right yet.',
  weak_password: 'Take another password.',
  wrong_password: 'The password is not right.',
  wrong_code: 'This is not the set-up code.',
  too_many_tries: 'Too many tries. Wait a little, then try again.',
  must_change_password: 'Change your password first, at the top right.',
  no_such_person: 'There is no such person.',
  last_lead: 'There must always be a release lead who can sign in.',
  email_taken: 'This e-mail has an account already.',
  signed_out: 'Your session has ended. Sign in again.',
  not_allowed: 'Your role does not allow this.',
  no_such_house: 'There is no such house.',
  no_such_rule: 'There is no such rule.',
  ingredient_taken: 'Another ingredient has this name.',
  ingredient_in_use: 'It is in use and stays as it is:',
  no_such_ingredient: 'There is no such ingredient.',
  nothing_late: 'Nothing came after the signature, or it no longer stands.',
  bad_entry: 'Something is not right yet.',
  lot_taken: 'This ingredient has a lot of this number already.',
  no_such_lot: 'There is no such lot.',
  lot_outside:
    'A release lead decides, with the reason, whether it is received. It is outside its limit:',
};

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
        text: [
          WORDS[answer.code] ?? answer.code,
          Object.values(answer.fields ?? {}).join('; '),
        ].join(' '),
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
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="label">
        {label}
      </label>
      {children ? (
        <select id={id} name={name} defaultValue={value} className="field">
          {children}
        </select>
      ) : (
        <input
          id={id}
          name={name}
          type={type}
          defaultValue={value}
          className="field"
          required={!optional}
          autoComplete={type === 'password' ? 'new-password' : 'off'}
        />
      )}
    </div>
  );
}
