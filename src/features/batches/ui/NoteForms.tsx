'use client';

import { useState } from 'react';
import { cleared } from '@/ui/cleared';
import { Said } from '@/ui/status';
import { useWhen } from '@/ui/when-field';
import { useBatch, usePost } from '@/features/logbook/ui';

/** A note for the log, or a hold placed by a person. */
export function NoteForms({ closed }: { closed: boolean }) {
  const { canWork } = useBatch();
  const { send, busy, message } = usePost();
  const [text, setText] = useState('');
  const when = useWhen();
  if (!canWork) return null;
  const put = async (kind: 'noted' | 'held') => {
    const body = kind === 'noted' ? { kind, text } : { kind, reason: text };
    const outcome = await send(body, when.at);
    if (!outcome.ok && outcome.code !== 'kept') return;
    setText(cleared(text));
    when.again();
  };
  return (
    <form
      className="sheet space-y-3"
      onSubmit={(e) => {
        e.preventDefault();
        void put('noted');
      }}
    >
      <label htmlFor="note" className="label">
        Note, or reason for a hold
      </label>
      <textarea
        id="note"
        className="field min-h-20 py-2"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      {when.field}
      <Said text={message} />
      <div className="flex gap-2">
        <button className="button-main" disabled={busy}>
          Add the note
        </button>
        {!closed && (
          <button
            type="button"
            className="button-bad"
            disabled={busy}
            onClick={() => void put('held')}
          >
            Put on hold
          </button>
        )}
      </div>
    </form>
  );
}
