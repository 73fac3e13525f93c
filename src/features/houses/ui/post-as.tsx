'use client';

import { useRouter } from 'next/navigation';
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import type { PostedBody } from '@/features/logbook/contract';
import type { Fact } from '../alarm-groups';
import { useWhen } from '@/ui/when-field';
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

/** The device's storage comes after the page, which is shown sooner without it; null where it cannot be loaded. */
const loadStorage = () => import('@/features/logbook/ui').catch(() => null);
const NOT_LOADED =
  'This page had not loaded completely when the network went. Nothing was recorded: press again when it is back.';

/**
 * Posts what is true of several batches at once: all of it is recorded, or nothing; says in words what came of it.
 * @param one the time that several forms share; each has its own where it is left out
 */
export function usePostTo(one?: ReturnType<typeof useWhen>) {
  const { personId } = useWorker();
  const router = useRouter();
  const own = useWhen();
  const when = one ?? own;
  const [busy, setBusy] = useState(false);
  const [message, setMessage] = useState<string | null>(null);
  /* Before it is needed: a press without a network is kept only where this is there. */
  useEffect(() => void loadStorage(), []);
  const sendAll = async (facts: readonly Fact[]): Promise<boolean> => {
    setBusy(true);
    setMessage(null);
    const { happenedAt = new Date().toISOString() } = when.at;
    const storage = await loadStorage();
    if (!storage) {
      setBusy(false);
      setMessage(NOT_LOADED);
      return false;
    }
    const outcome = await storage.postAll(
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
    if (outcome.ok || kept) when.again();
    if (!kept) router.refresh();
    return outcome.ok || kept;
  };
  const sendTo = (batchIds: readonly string[], body: PostedBody) =>
    sendAll(batchIds.map((id) => [id, body] as const));
  return { sendTo, sendAll, busy, message, when: when.field };
}
