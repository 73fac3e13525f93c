'use client';

import { useRouter } from 'next/navigation';
import { useId, useState } from 'react';
import type { Late } from '@/features/readings/seals';
import { Notice } from '@/ui/status';
import { useShow } from '@/ui/show-context';
import { takeLateAction } from '../actions';
import { problemWords } from './words';

/** Readings that came after the signature: kept beside the record until a release lead takes them in. */
export function LateReadings({
  batchId,
  late,
  mayTake,
}: {
  batchId: string;
  late: Late;
  mayTake: boolean;
}) {
  const id = useId();
  const show = useShow();
  const router = useRouter();
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const take = async () => {
    setBusy(true);
    const answer = await takeLateAction({ batchId, reason }).catch(() => null);
    setBusy(false);
    if (answer?.ok) return router.refresh();
    setProblem(
      answer
        ? (Object.values(answer.fields ?? {})[0] ?? problemWords(answer.code))
        : 'No link to the server. Nothing was changed: try again.',
    );
  };
  return (
    <section className="sheet space-y-3" aria-label="Readings after the signature">
      <Notice tone="wait">
        {show.number(late.count, 0)} {late.count === 1 ? 'reading' : 'readings'} of{' '}
        {show.clock(late.firstS)} to {show.clock(late.lastS)} came after the signature. They are
        kept beside the record: what was signed is what was there.
      </Notice>
      {mayTake && (
        <form
          className="max-w-lg space-y-3"
          onSubmit={(e) => {
            e.preventDefault();
            void take();
          }}
        >
          <div>
            <label htmlFor={id} className="label">
              Why they belong to the record
            </label>
            <input
              id={id}
              className="field"
              maxLength={300}
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
          </div>
          {problem && <Notice tone="bad">{problem}</Notice>}
          <button className="button" disabled={busy || reason.trim() === ''}>
            Take them in: the signature falls, and the batch is on hold
          </button>
        </form>
      )}
    </section>
  );
}
