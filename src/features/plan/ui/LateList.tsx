'use client';

import { batchEnds } from '@/core';
import { useShow } from '@/ui/show-context';
import { waitsWords, type PlanNames } from '@/words/plan';
import type { Board } from '../board';
import { Remedies } from './Remedies';
import type { usePlanner } from './use-planner';

type Props = {
  board: Board;
  names: PlanNames;
  planner: ReturnType<typeof usePlanner>;
  canWork: boolean;
};

/** What is late, what it waits for, and what could be done about it. */
export function LateList({ board, names, planner, canWork }: Props) {
  const show = useShow();
  const late = batchEnds(board.task, board.placed)
    .filter((e) => e.lateS > 0)
    .sort((a, b) => b.lateS - a.lateS);
  const nowhere = (planner.look?.because ?? []).filter((b) => b.lateS === Infinity);
  if (late.length === 0 && nowhere.length === 0) return null;
  const why = (batch: string) => {
    const reason = planner.look?.because.find((b) => b.batch === batch);
    if (!reason) return '';
    const w = reason.waitsFor;
    const step =
      w.kind === 'resource'
        ? board.placed.find((p) => p.batch === batch && p.uses.some((u) => u.resource === w.id))
        : undefined;
    return `: ${waitsWords(w, names)}${step ? `, until ${show.clock(step.startS)}` : ''}`;
  };
  return (
    <section aria-label="Late" className="sheet">
      <h2 className="font-semibold">Late</h2>
      <ul>
        {nowhere.map((b) => (
          <li key={b.batch} className="border-t border-line py-2">
            <p>
              <b>{names.batch(b.batch)}</b> has no place: what comes next may not wait so long as
              there is no time for it; {waitsWords(b.waitsFor, names)}.
            </p>
            <Remedies
              board={board}
              batch={b.batch}
              lateS={Infinity}
              names={names}
              planner={planner}
              canWork={canWork}
            />
          </li>
        ))}
        {late.map((e) => (
          <li key={e.batch} className="border-t border-line py-2">
            <p>
              <b>{names.batch(e.batch)}</b> is ready {show.clock(e.endS)}, {show.duration(e.lateS)}{' '}
              late{why(e.batch)}.
            </p>
            <Remedies
              board={board}
              batch={e.batch}
              lateS={e.lateS}
              names={names}
              planner={planner}
              canWork={canWork}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}
