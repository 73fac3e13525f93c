'use client';

import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { problemWords } from '@/words/problems';
import { changeRosterAction } from '../actions';

/** One line of the roster, with what takes it out. */
export function EntryRow({
  change,
  canRun,
  children,
}: {
  change: unknown;
  canRun: boolean;
  children: ReactNode;
}) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const remove = async () => {
    const answer = await changeRosterAction(change).catch(() => null);
    if (answer?.ok) router.refresh();
    else setProblem(problemWords(answer?.code ?? 'no_link'));
  };
  return (
    <li className="flex items-center justify-between gap-3 border-t border-line py-1">
      <span>{children}</span>
      {problem && <span role="alert">{problem}</span>}
      {canRun && (
        <button type="button" className="button min-w-12" onClick={() => void remove()}>
          Remove
        </button>
      )}
    </li>
  );
}
