'use client';

import { useRouter } from 'next/navigation';
import { createContext, useContext, useState } from 'react';
import type { UnitSystem } from '@/core';
import type { PostedBody } from '../contract';
import { postAll, type Outcome } from './outbox';
import { problemWords } from '@/words/problems';
import { LOT_PROBLEM_WORDS } from '@/words/batch';

export type BatchContextValue = {
  batchId: string;
  personId: string;
  canWork: boolean;
  canDecide: boolean;
  timeZone: string;
};
export const BatchContext = createContext<BatchContextValue | null>(null);

export function useBatch(): BatchContextValue {
  const value = useContext(BatchContext);
  if (!value) throw new Error('useBatch needs a BatchContext above it');
  return value;
}

type Extra = {
  happenedAt?: string;
  corrects?: string;
  confirmed?: boolean;
  enteredIn?: UnitSystem;
};

/** What a refusal says beyond its code, in words. */
const detailsOf = (o: Outcome) =>
  'problems' in o && o.problems
    ? { lot: o.problems.map((p) => LOT_PROBLEM_WORDS[p]).join(', ') }
    : 'fields' in o
      ? o.fields
      : undefined;

/** Posts entries of this batch: on disk first, then to the server; says in words what came of it. */
export function usePost() {
  const { batchId, personId } = useBatch();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [message, setMessage] = useState<string | null>(null);
  const send = async (body: PostedBody, extra: Extra = {}): Promise<Outcome> => {
    setBusy(true);
    setMessage(null);
    const entry = {
      id: crypto.randomUUID(),
      happenedAt: new Date().toISOString(),
      corrects: null,
      ...extra,
      body,
    };
    const outcome = await postAll(personId, [{ batchId, entry }]);
    setBusy(false);
    if (!outcome.ok && outcome.code === 'kept')
      setMessage('No link to the server: kept here, will be sent.');
    else if (!outcome.ok && outcome.code !== 'odd_temperature')
      setMessage(problemWords(outcome.code, detailsOf(outcome)));
    if (outcome.ok) router.refresh();
    return outcome;
  };
  return { send, busy, message, setMessage };
}
