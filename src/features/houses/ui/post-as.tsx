'use client';

import { useRouter } from 'next/navigation';
import { createContext, useContext, useState, type ReactNode } from 'react';
import type { PostedBody } from '@/features/logbook/contract';
import type { Fact } from '../alarm-groups';
import { KEPT_WORDS, problemWords } from '@/words/problems';

/** Who works at the house. */
export type Worker = { personId: string; canWork: boolean };
const WorkerContext = createContext<Worker | null>(null);

export function WorkerProvider({ value, children }: { value: Worker; children: ReactNode }) {
  return <WorkerContext value={value}>{children}</WorkerContext>;
}

export function useWorker(): Worker {
  const worker = useContext(WorkerContext);
  if (!worker) throw new Error('useWorker needs a WorkerProvider above it');
  return worker;
}

/** Posts what is true of several batches at once: all of it is recorded, or nothing; says in words what came of it. */
export function usePostTo() {
  const { personId } = useWorker();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [message, setMessage] = useState<string | null>(null);
  const sendAll = async (facts: readonly Fact[]): Promise<boolean> => {
    setBusy(true);
    setMessage(null);
    const happenedAt = new Date().toISOString();
    /* Storage is loaded with the first press: pages that only show alarms do not need it. */
    const { postAll } = await import('@/features/logbook/ui');
    const outcome = await postAll(
      personId,
      facts.map(([batchId, body]) => ({
        batchId,
        entry: { id: crypto.randomUUID(), happenedAt, corrects: null, body },
      })),
    );
    setBusy(false);
    const kept = !outcome.ok && outcome.code === 'kept';
    if (kept) setMessage(KEPT_WORDS);
    else if (!outcome.ok) {
      const whose = 'batch' in outcome && facts.length > 1 ? `Batch ${outcome.batch}: ` : '';
      setMessage(whose + problemWords(outcome.code));
    }
    if (!kept) router.refresh();
    return outcome.ok || kept;
  };
  const sendTo = (batchIds: readonly string[], body: PostedBody) =>
    sendAll(batchIds.map((id) => [id, body] as const));
  return { sendTo, sendAll, busy, message };
}
