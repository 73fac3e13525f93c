'use client';

import { batchEnds, isClosure, type PlanFigures } from '@/core';
import { useShow } from '@/ui/show-context';
import { misfitWords, type PlanNames } from '@/words/plan';
import { Notice } from '@/ui/status';
import type { Board } from '../board';

type Props = { board: Board; names: PlanNames; figures: PlanFigures; planned: boolean };

/** Will everything be ready in time? In one sentence, and what stands in no plan at all. */
export function StandLine({ board, names, figures, planned }: Props) {
  const show = useShow();
  const { task, placed, unplanned, nowS } = board;
  const late = batchEnds(task, placed).filter((e) => e.lateS > 0);
  const count = task.batches.filter((b) => !isClosure(b.id)).length;
  const runs = figures.places.filter((p) => p.runs > 0);
  const lit = runs
    .map((p) => `${names.place(p.id)} ${show.duration(p.runsS)} in ${p.runs}`)
    .join(', ');
  /* What runs stays where it is, and is asked nothing: a place that is shut under it is said. */
  const under = board.closures.flatMap((c) =>
    placed
      .filter(
        (p) =>
          (task.fixed ?? []).some((f) => f.batch === p.batch && f.step === p.step) &&
          !isClosure(p.batch) &&
          p.uses.some((u) => u.resource === c.placeId) &&
          p.startS < c.toS &&
          c.fromS < p.endS,
      )
      .map((p) => ({ c, p })),
  );
  const past = board.batches.filter((b) => b.readyByS < nowS);
  return (
    <div className="space-y-2">
      {count === 0 && (
        <p className="sheet">Nothing is wished and nothing runs. The week is yours.</p>
      )}
      {count > 0 && !planned && (
        <p className="text-lg">
          {count} {count === 1 ? 'batch' : 'batches'}, and no plan yet.
        </p>
      )}
      {planned && placed.length > 0 && (
        <p className="text-lg">
          <b>
            {late.length === 0
              ? 'Everything that is planned is ready in time.'
              : `${late.length} of ${count} ${late.length === 1 ? 'is' : 'are'} late.`}
          </b>{' '}
          <span className="text-soft">{lit ? `Fires: ${lit}.` : ''}</span>
        </p>
      )}
      {planned && unplanned.length > 0 && (
        <Notice tone="wait">
          No place in the plan yet: {unplanned.map((id) => names.batch(id)).join(', ')}.
        </Notice>
      )}
      {board.task.misfits.map((m) => (
        <Notice key={`${m.batch} ${m.step}`} tone="bad">
          {names.batch(m.batch)}: {misfitWords(m, names, show)}.
        </Notice>
      ))}
      {under.map(({ c, p }) => (
        <Notice key={`${c.id} ${p.batch}`} tone="bad">
          {names.place(c.placeId)} is shut from {show.clock(c.fromS)} ({c.why}), and{' '}
          {names.batch(p.batch)} is in it until {show.clock(p.endS)}. Move it, or shut it later.
        </Notice>
      ))}
      {past.length > 0 && (
        <Notice tone="wait">
          Ready-by has passed: {past.map((b) => names.batch(b.id)).join(', ')}. They are planned as
          soon as can be.
        </Notice>
      )}
      {board.there.every((t) => t.endS <= nowS) && (
        <Notice tone="bad">
          Nobody is on duty from now on. Say under Settings, Hours, who works when: without anybody
          nothing can be planned.
        </Notice>
      )}
    </div>
  );
}
