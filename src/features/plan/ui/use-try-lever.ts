'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Lever } from '@/core';
import { useShow } from '@/ui/show-context';
import { leverWords, type PlanNames } from '@/words/plan';
import { problemWords } from '@/words/problems';
import { saveCopyAction } from '../actions';
import type { Board } from '../board';

/** Opens a copy of the plan with one more lever; `problem` says why that failed. */
export function useTryLever(board: Pick<Board, 'copies' | 'copyId'>, names: PlanNames) {
  const show = useShow();
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const tryIt = async (lever: Lever): Promise<void> => {
    const id = crypto.randomUUID();
    const levers = [...(board.copies.find((c) => c.id === board.copyId)?.levers ?? []), lever];
    const name = leverWords(lever, names, show).slice(0, 60);
    const answer = await saveCopyAction({ id, name, levers }).catch(() => null);
    if (answer?.ok) router.push(`/plan?copy=${id}`);
    else setProblem(problemWords(answer?.code ?? 'no_link'));
  };
  return { tryIt, problem };
}
