'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { BenchClient } from '@/workers/bench/client';
import type { WhatIf, WhatIfAnswer } from '@/workers/bench/protocol';

export type Computed = { answer: WhatIfAnswer | null; message: string | null };

const WAIT_MS = 60;

/** One worker for the page. */
export function useBenchClient(): () => BenchClient {
  const client = useRef<BenchClient | null>(null);
  useEffect(
    () => () => {
      client.current?.close();
      client.current = null;
    },
    [],
  );
  return useCallback(() => (client.current ??= new BenchClient()), []);
}

/**
 * Answers of the worker to each question, by key. A question that changes is asked anew after a breath;
 * the last answer stands until the new one comes, and one that comes late is dropped.
 */
export function useWhatIfs(
  questions: readonly { key: string; input: WhatIf | null }[],
  client: () => BenchClient,
): Record<string, Computed> {
  const [answers, setAnswers] = useState<Record<string, Computed>>({});
  const asked = useRef<Record<string, string>>({});
  const text = JSON.stringify(questions);
  useEffect(() => {
    const timer = setTimeout(() => {
      for (const { key, input } of JSON.parse(text) as typeof questions) {
        const question = JSON.stringify(input);
        if (!input || asked.current[key] === question) continue;
        asked.current[key] = question;
        client()
          .whatIf(input)
          .then((answer): Computed => ({ answer, message: null }))
          .catch((error: Error): Computed => ({ answer: null, message: error.message }))
          .then((computed) => {
            if (asked.current[key] === question) setAnswers((old) => ({ ...old, [key]: computed }));
          });
      }
    }, WAIT_MS);
    return () => clearTimeout(timer);
  }, [text, client]);
  return answers;
}
