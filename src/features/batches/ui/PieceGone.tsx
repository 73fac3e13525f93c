'use client';

import { PIECE_ENDS } from '@/core';
import { PIECE_END_WORDS } from '@/words/acidity';
import { Said } from '@/ui/status';
import { useWhen } from '@/ui/when-field';
import { useBatch, usePost } from '@/features/logbook/ui';

/** A marked piece that is there no more: why, in one press. What it lagged behind the others stays counted. */
export function PieceGone({ piece }: { piece: string }) {
  const { canWork } = useBatch();
  const { send, busy, message } = usePost();
  const when = useWhen();
  if (!canWork) return null;
  return (
    <details className="w-full">
      <summary className="min-h-12 cursor-pointer py-3 text-soft">{piece} is gone?</summary>
      <div className="flex flex-wrap gap-2 pb-2">
        {PIECE_ENDS.map((why) => (
          <button
            key={why}
            type="button"
            className="button min-h-12 first-letter:uppercase"
            disabled={busy}
            onClick={() => void send({ kind: 'piece_ended', piece, why }, when.at)}
          >
            {PIECE_END_WORDS[why]}
          </button>
        ))}
      </div>
      <p className="small">
        It is weighed no more. What it had lost less than the others stays counted: pieces like it
        hang there unmarked.
      </p>
      {when.field}
      <Said text={message} />
    </details>
  );
}
