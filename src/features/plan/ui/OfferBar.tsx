'use client';

import { batchEnds } from '@/core';
import { useShow } from '@/ui/show-context';
import { planTroubleWords, type PlanNames } from '@/words/plan';
import type { Board } from '../board';
import type { Offer, usePlanner } from './use-planner';

type Props = {
  board: Board;
  offer: Offer;
  names: PlanNames;
  planner: ReturnType<typeof usePlanner>;
};

/** The plan does not hold any more: what it breaks, and a changed one that is there to be taken. */
export function OfferBar({ board, offer, names, planner }: Props) {
  const show = useShow();
  const { plan, broken } = offer;
  const late = batchEnds(board.task, plan.steps).filter((e) => e.lateS > 0);
  const was = new Map(board.placed.map((p) => [`${p.batch} ${p.step}`, p.startS]));
  const moves = plan.steps.filter((p) => {
    const at = was.get(`${p.batch} ${p.step}`);
    return at !== undefined && at !== p.startS;
  });
  const batches = new Set(moves.map((m) => m.batch));
  return (
    <section aria-label="A changed plan is offered" className="sheet mt-3 border-wait">
      <h2 className="font-semibold">The plan does not hold any more</h2>
      <p>
        {planTroubleWords(broken[0]!, names, show)}
        {broken.length > 1 && ` And ${broken.length - 1} more.`}
      </p>
      <p>
        A changed plan is ready: {moves.length} {moves.length === 1 ? 'step moves' : 'steps move'},
        of {batches.size} {batches.size === 1 ? 'batch' : 'batches'};{' '}
        {late.length === 0 ? 'nothing is late' : `${late.length} late`}.
      </p>
      <details>
        <summary className="min-h-12 cursor-pointer py-3 text-soft">What moves</summary>
        <ul className="text-sm">
          {moves.map((m) => (
            <li key={`${m.batch} ${m.step}`}>
              {names.batch(m.batch)}, {names.step(m.batch, m.step)}:{' '}
              {show.clock(was.get(`${m.batch} ${m.step}`)!)} → {show.clock(m.startS)}
            </li>
          ))}
        </ul>
      </details>
      <div className="flex flex-wrap gap-3">
        <button
          type="button"
          className="button-main"
          onClick={() =>
            void planner.keep('offered', plan.steps, planner.pins, 'The changed plan is taken.')
          }
        >
          Take the changed plan
        </button>
        <button type="button" className="button" onClick={planner.dropOffer}>
          Leave it as it is
        </button>
      </div>
    </section>
  );
}
