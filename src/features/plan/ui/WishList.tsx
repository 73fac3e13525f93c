'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { PRIORITY_WORDS } from '@/words/plan';
import { problemWords } from '@/words/problems';
import { removeWishAction, startWishAction } from '../actions';
import type { Wish } from '../wishes';
import { WishForm } from './WishForm';

type Props = {
  wishes: (Wish & { name: string; beginsS: number | null; endsS: number | null })[];
  recipes: { id: string; name: string }[];
  nowS: number;
  canWork: boolean;
};

/** What is wished, by when it must be ready; each with its place in the plan. */
export function WishList({ wishes, recipes, nowS, canWork }: Props) {
  const show = useShow();
  const router = useRouter();
  const [open, setOpen] = useState<string | null>(null);
  const [problem, setProblem] = useState<{ id: string; text: string } | null>(null);
  const [sure, setSure] = useState<string | null>(null);
  const act = async (
    id: string,
    action: (input: unknown) => Promise<{ ok: boolean; code?: string }>,
    then?: string,
  ) => {
    const answer = await action({ id }).catch(() => null);
    if (!answer?.ok) setProblem({ id, text: problemWords(answer?.code ?? 'no_link') });
    else if (then) router.push(then);
    router.refresh();
  };
  if (wishes.length === 0) return <p className="text-soft">Nothing is wished.</p>;
  return (
    <ul>
      {wishes.map((w) => (
        <li key={w.id} className="border-t border-line py-2">
          <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
            <p className="min-w-56 flex-1">
              <b>{w.name}</b>
              {w.forWhom && ` for ${w.forWhom}`}: {show.quantity('mass', w.meatG)} of meat, ready by{' '}
              {show.clock(w.readyByS)}
              {w.priority > 1 && `, ${PRIORITY_WORDS[w.priority]}`}
              <span className="block text-sm text-soft">
                {w.beginsS === null
                  ? 'No place in the plan yet.'
                  : `Planned: begins ${show.when(w.beginsS, nowS)}, ready ${show.clock(w.endsS!)}.`}{' '}
                {w.endsS !== null && w.endsS > w.readyByS && (
                  <b className="text-bad">{show.duration(w.endsS - w.readyByS)} late.</b>
                )}
              </span>
            </p>
            {canWork && (
              <>
                <button
                  type="button"
                  className="button"
                  onClick={() => void act(w.id, startWishAction, `/batches/${w.id}`)}
                >
                  Start it now
                </button>
                <button
                  type="button"
                  className="button"
                  aria-expanded={open === w.id}
                  onClick={() => setOpen(open === w.id ? null : w.id)}
                >
                  Change
                </button>
                <button
                  type="button"
                  className="button"
                  onClick={() => (sure === w.id ? void act(w.id, removeWishAction) : setSure(w.id))}
                >
                  {sure === w.id ? 'Yes, remove it' : 'Remove'}
                </button>
              </>
            )}
          </div>
          {problem?.id === w.id && <Notice tone="bad">{problem.text}</Notice>}
          {open === w.id && (
            <div className="mt-2 max-w-md">
              <WishForm recipes={recipes} wish={w} onDone={() => setOpen(null)} />
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}
