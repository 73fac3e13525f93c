'use client';

import { useId, useState } from 'react';
import type { DispositionKind } from '@/core';
import { Notice, Said } from '@/ui/status';
import { DISPOSITION_WORDS } from '@/words/batch';
import { usePost } from '@/features/logbook/ui';
import { TextField } from '@/ui/text-field';

/** The release lead's disposition of what is on hold, with its reason: only what fits the cause, nothing chosen before. */
export function DecideForm({
  checks,
  kinds,
  code,
}: {
  checks: string[];
  kinds: DispositionKind[];
  code: string;
}) {
  const id = useId();
  const { send, busy, message } = usePost();
  const [open, setOpen] = useState(false);
  const [disposition, setDisposition] = useState<DispositionKind | null>(null);
  const [reason, setReason] = useState('');
  const [authority, setAuthority] = useState('');
  const [typed, setTyped] = useState('');
  const [error, setError] = useState<string | null>(null);
  if (!open)
    return (
      <button type="button" className="button-bad" onClick={() => setOpen(true)}>
        Decide
      </button>
    );
  const onAuthority = disposition === 'release_on_authority';
  const decide = () => {
    if (disposition === null) return setError('Choose what happens with this batch.');
    if (disposition === 'destroy' && typed.trim() !== code)
      return setError(`Type the number of the batch, ${code}, to destroy it.`);
    setError(null);
    void send({
      kind: 'disposed',
      disposition,
      reason,
      checks,
      ...(onAuthority ? { authority } : {}),
    });
  };
  return (
    <form
      className="sheet space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        decide();
      }}
    >
      <fieldset>
        <legend className="label">What happens with this batch?</legend>
        {kinds.map((k) => (
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
        <TextField
          label="Authority, date and number of its decision"
          value={authority}
          onChange={(e) => setAuthority(e.target.value)}
        />
      )}
      {disposition === 'destroy' && (
        <div>
          <p className="font-semibold text-bad">
            A destroyed batch is closed for good. This cannot be undone.
          </p>
          <TextField
            label="Number of the batch, to destroy it"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
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
      {error && <Notice tone="bad">{error}</Notice>}
      <Said text={message} />
      <button className="button-bad" disabled={busy}>
        Record this decision
      </button>
    </form>
  );
}
