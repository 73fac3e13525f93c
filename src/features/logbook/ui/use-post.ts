'use client';

import { useRouter } from 'next/navigation';
import { createContext, useContext, useEffect, useRef, useState } from 'react';
import type { UnitSystem } from '@/core';
import type { PostedEntry, PostedOffer } from '../contract';
import { postAll, tellLater, type Outcome, type Refusal } from './outbox';
import { KEPT_WORDS, problemWords } from '@/words/problems';
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

/** What the form asks back itself. */
const ASKED_BACK: readonly string[] = ['odd_temperature', 'odd_weight'];

/** What a refusal says beyond its code, in words. */
const detailsOf = (o: Outcome) =>
  'problems' in o && o.problems
    ? { lot: o.problems.map((p) => LOT_PROBLEM_WORDS[p]).join(', ') }
    : 'fields' in o
      ? o.fields
      : undefined;

/** A message that stood for less than this was perhaps not read, ms. */
const READ_MS = 10_000;

/**
 * Sees to it that a refusal is read: where what it was said at goes off the page, as when somebody else did the same just
 * before, it is said at the top of the page.
 */
function useRead(personId: string) {
  const alive = useRef(true);
  const unread = useRef<{ atMs: number; tell: () => void } | null>(null);
  useEffect(() => {
    alive.current = true;
    return () => {
      alive.current = false;
      if (unread.current && Date.now() - unread.current.atMs < READ_MS) unread.current.tell();
    };
  }, []);
  return {
    said: (offers: PostedOffer[], outcome: Refusal) => {
      const tell = () => void tellLater(personId, offers, outcome);
      if (alive.current) unread.current = { atMs: Date.now(), tell };
      else tell();
    },
    over: () => (unread.current = null),
  };
}

/** Posts entries of this batch: on disk first, then to the server; says in words what came of it. */
export function usePost() {
  const { batchId, personId } = useBatch();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const read = useRead(personId);
  const [message, setMessage] = useState<string | null>(null);
  const send = async (body: PostedEntry['body'], extra: Extra = {}): Promise<Outcome> => {
    setBusy(true);
    setMessage(null);
    read.over();
    const entry = {
      id: crypto.randomUUID(),
      happenedAt: new Date().toISOString(),
      corrects: null,
      ...extra,
      body,
    };
    const offers = [{ batchId, entry }];
    const outcome = await postAll(personId, offers);
    setBusy(false);
    if (!outcome.ok && outcome.code === 'kept') setMessage(KEPT_WORDS);
    else if (!outcome.ok && !ASKED_BACK.includes(outcome.code)) {
      setMessage(problemWords(outcome.code, detailsOf(outcome)));
      read.said(offers, outcome);
    }
    if (outcome.ok) router.refresh();
    return outcome;
  };
  return { send, busy, message, setMessage };
}
