'use client';

import { useState } from 'react';
import type { Lever, Remedy } from '@/core';
import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import { leverWords, type PlanNames } from '@/words/plan';
import type { Board } from '../board';
import type { usePlanner } from './use-planner';
import { useTryLever } from './use-try-lever';

type Props = {
  board: Board;
  batch: string;
  lateS: number;
  names: PlanNames;
  planner: ReturnType<typeof usePlanner>;
  canWork: boolean;
};

/** Ways out for one late batch, each with what it would come to; one of them is tried in a copy of the plan. */
export function Remedies({ board, batch, lateS, names, planner, canWork }: Props) {
  const show = useShow();
  const [state, setState] = useState<Remedy[] | 'looking' | null>(null);
  const { tryIt, problem } = useTryLever(board, names);
  const ask = async () => {
    setState('looking');
    /* Whoever is the last to go is who would stay. */
    const stays = board.there.flatMap((t): [number, string][] =>
      t.people[0] ? [[t.endS, t.people[0]]] : [],
    );
    const stand = { task: board.task, steps: board.placed, pins: planner.pins };
    setState(
      await planner
        .worker()
        .remedies(stand, batch, stays)
        .answer.catch(() => []),
    );
  };
  const due = board.task.batches.find((b) => b.id === batch)!.readyByS;
  const another: Lever = { kind: 'ready_by', batch, readyByS: due + lateS };
  if (state === null)
    return (
      <button type="button" className="button mt-1" onClick={() => void ask()}>
        What could be done?
      </button>
    );
  if (state === 'looking') return <p role="status">Trying what could be done …</p>;
  return (
    <div className="mt-1">
      {problem && <Notice tone="bad">{problem}</Notice>}
      <ul>
        {state.map((r) => (
          <li key={JSON.stringify(r.lever)} className="flex flex-wrap items-center gap-3 py-1">
            <span className="min-w-48 flex-1">
              {leverWords(r.lever, names, show)}:{' '}
              <b>{r.lateS === 0 ? 'in time' : `${show.duration(r.lateS)} late`}</b>
              {r.othersS > 0 && `, others ${show.duration(r.othersS)} later`}
              {r.othersS < 0 && `, others ${show.duration(-r.othersS)} sooner`}, {r.moved}{' '}
              {r.moved === 1 ? 'step moves' : 'steps move'}
            </span>
            <TryIt lever={r.lever} onTry={canWork ? tryIt : null} />
          </li>
        ))}
        {Number.isFinite(lateS) && (
          <li className="flex flex-wrap items-center gap-3 py-1">
            <span className="min-w-48 flex-1">
              Another day: {show.clock(due + lateS)}, nothing moves
            </span>
            <TryIt lever={another} onTry={canWork ? tryIt : null} />
          </li>
        )}
      </ul>
      {state.length === 0 && (
        <p className="small">Nothing else here helps by a quarter of an hour.</p>
      )}
    </div>
  );
}

type TryItProps = { lever: Remedy['lever']; onTry: ((lever: Lever) => Promise<void>) | null };

/** A copy of the plan for what a plan can decide; what only a recipe can is told so. */
function TryIt({ lever, onTry }: TryItProps) {
  if (lever.kind === 'same_program')
    return <p className="small basis-full">Needs a version of its recipe with that program.</p>;
  if (!onTry) return null;
  return (
    <button type="button" className="button" onClick={() => void onTry(lever)}>
      Try it in a copy
    </button>
  );
}
