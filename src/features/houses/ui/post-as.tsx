'use client';

import { useRouter } from 'next/navigation';
import { createContext, useContext, useState, type ReactNode } from 'react';
import type { PostedBody } from '@/features/batches/contract';
import { post } from '@/features/batches/ui/outbox';
import { problemWords } from '@/words/problems';

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

/** Posts one fact to several batches at once, each on disk first; says in words what came of it. */
export function usePostTo() {
  const { personId } = useWorker();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [message, setMessage] = useState<string | null>(null);
  const sendTo = async (batchIds: readonly string[], body: PostedBody): Promise<boolean> => {
    setBusy(true);
    setMessage(null);
    const happenedAt = new Date().toISOString();
    const outcomes = await Promise.all(
      batchIds.map((batchId) =>
        post(personId, batchId, { id: crypto.randomUUID(), happenedAt, corrects: null, body }),
      ),
    );
    setBusy(false);
    const refused = outcomes.find((o) => !o.ok && o.code !== 'kept');
    if (refused && !refused.ok) setMessage(problemWords(refused.code));
    else if (outcomes.some((o) => !o.ok))
      setMessage('No link to the server: kept here, will be sent.');
    router.refresh();
    return !refused;
  };
  return { sendTo, busy, message };
}
