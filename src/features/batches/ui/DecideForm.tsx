'use client';

import { useId, useState } from 'react';
import type { DispositionKind } from '@/core';
import { Notice } from '@/ui/status';
import { DISPOSITION_WORDS } from './words';
import { usePost } from './use-post';

const KINDS: DispositionKind[] = [
  'continue',
  'cook_on',
  'rework',
  'destroy',
  'release_on_authority',
];

/** The release lead's disposition of a hold, with its reason. */
export function DecideForm({ checks }: { checks: string[] }) {
  const id = useId();
  const { send, busy, message } = usePost();
  const [open, setOpen] = useState(false);
  const [disposition, setDisposition] = useState<DispositionKind>('continue');
  const [reason, setReason] = useState('');
  const [authority, setAuthority] = useState('');
  if (!open)
    return (
      <button type="button" className="button-bad" onClick={() => setOpen(true)}>
        Decide
      </button>
    );
  const onAuthority = disposition === 'release_on_authority';
  const decide = () =>
    send({ kind: 'disposed', disposition, reason, checks, ...(onAuthority ? { authority } : {}) });
  return (
    <form
      className="sheet space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        void decide();
      }}
    >
      <fieldset>
        <legend className="label">What happens with this batch?</legend>
        {KINDS.map((k) => (
          <label key={k} className="flex min-h-12 items-center gap-3">
            <input
              type="radio"
              name={id}
              className="size-5"
              checked={disposition === k}
              onChange={() => setDisposition(k)}
            />{' '}
            {DISPOSITION_WORDS[k]}
          </label>
        ))}
      </fieldset>
      {onAuthority && (
        <div>
          <label htmlFor={`${id}-a`} className="label">
            Authority, date and number of its decision
          </label>
          <input
            id={`${id}-a`}
            className="field"
            value={authority}
            onChange={(e) => setAuthority(e.target.value)}
          />
        </div>
      )}
      <div>
        <label htmlFor={`${id}-r`} className="label">
          Reason
        </label>
        <textarea
          id={`${id}-r`}
          className="field min-h-24 py-2"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      </div>
      {message && <Notice tone="bad">{message}</Notice>}
      <button className="button-bad" disabled={busy}>
        Record this decision
      </button>
    </form>
  );
}
