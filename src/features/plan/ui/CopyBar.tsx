'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { batchEnds, planFigures } from '@/core';
import { Link } from '@/ui/link';
import { PlainTable } from '@/ui/plain-table';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { leverWords } from '@/words/plan';
import { problemWords } from '@/words/problems';
import { finishCopyAction } from '../actions';
import type { Board } from '../board';
import { LeverForm } from './LeverForm';
import { useNames } from './use-names';

type Props = { board: Board; own: Board | null; canWork: boolean };

/** What is being tried in copies of the plan; in one of them, what is otherwise in it and how it compares. */
export function CopyBar({ board, own, canWork }: Props) {
  const names = useNames(board);
  const show = useShow();
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const copy = board.copies.find((c) => c.id === board.copyId);
  const end = async (as: 'taken' | 'dropped') => {
    const basedOn = own?.plan?.number ?? 0;
    const answer = await finishCopyAction({ id: copy!.id, as, basedOn }).catch(() => null);
    if (answer?.ok) router.push('/plan');
    else setProblem(problemWords(answer?.code ?? 'no_link'));
    router.refresh();
  };
  if (!copy)
    return (
      <>
        {problem && <Notice tone="bad">{problem}</Notice>}
        {board.copies.length > 0 && (
          <p>
            Being tried:{' '}
            {board.copies.map((c) => (
              <Link
                key={c.id}
                href={`/plan?copy=${c.id}`}
                className="mr-3 inline-flex min-h-12 items-center text-accent underline"
              >
                {c.name}
              </Link>
            ))}
          </p>
        )}
      </>
    );
  const figures = (b: Board) => {
    const f = planFigures(b.task, b.placed);
    const ends = batchEnds(b.task, b.placed);
    const last = ends.length > 0 ? show.clock(Math.max(...ends.map((e) => e.endS))) : '';
    const burns = f.places.reduce((sum, p) => sum + p.runsS, 0);
    const lit = f.places.reduce((sum, p) => sum + p.runs, 0);
    return [
      String(f.late),
      show.duration(ends.reduce((sum, e) => sum + e.lateS, 0)),
      show.duration(f.spanS),
      `${show.duration(burns)} in ${lit}`,
      last,
    ];
  };
  const labels = ['Late', 'Late in all', 'On the way in all', 'Fires', 'The last is ready'];
  const [now, then] = [own ? figures(own) : [], figures(board)];
  return (
    <section aria-label="What if" className="sheet mb-3 border-accent">
      <h2 className="font-semibold">
        What if: {copy.name}{' '}
        <span className="font-normal text-soft">
          A copy of the plan, by {copy.by}. Nothing of it counts before it is taken.
        </span>
      </h2>
      <ul className="list-disc pl-5">
        {copy.levers.map((l) => (
          <li key={JSON.stringify(l)}>{leverWords(l, names, show)}</li>
        ))}
      </ul>
      <PlainTable
        caption="The copy beside the plan"
        head={['', 'The plan', 'This copy']}
        rows={labels.map((label, i) => [label, now[i] ?? '', then[i]!])}
      />
      <p className="small">Press Plan everything to plan the copy round what is otherwise in it.</p>
      {problem && <Notice tone="bad">{problem}</Notice>}
      {canWork && (
        <div className="flex flex-wrap gap-3">
          <button type="button" className="button-main" onClick={() => void end('taken')}>
            Take it as the plan
          </button>
          <button type="button" className="button" onClick={() => void end('dropped')}>
            Drop it
          </button>
          <LeverForm board={board} copy={copy} />
        </div>
      )}
      <Link href="/plan" className="inline-flex min-h-12 items-center text-accent underline">
        Back to the plan, and keep the copy
      </Link>
    </section>
  );
}
