'use client';

import { useShow } from '@/ui/show-context';
import { Notice } from '@/ui/status';
import type { PlanNames } from '@/words/plan';
import type { AgendaItem } from '../agenda';
import { agendaWords, whoWords } from '../agenda-words';
import type { Board } from '../board';
import { absentPeople, fallsToNobody } from '../unmanned';
import { useTryLever } from './use-try-lever';

type Props = {
  board: Board;
  agenda: readonly AgendaItem[];
  names: PlanNames;
  canWork: boolean;
  /** Shows the step on the board, where it can be moved. */
  onShow: (batch: string, step: string) => void;
};

/** Work for which too few are there and free: who could come, and the step to be moved. */
export function Unmanned({ board, agenda, names, canWork, onShow }: Props) {
  const show = useShow();
  const { tryIt, problem } = useTryLever(board, names);
  const open = fallsToNobody(agenda, board.nowS);
  if (open.length === 0) return null;
  return (
    <section aria-label="Falls to nobody" className="sheet border-bad">
      <h2 className="font-semibold text-bad">Falls to nobody</h2>
      {problem && <Notice tone="bad">{problem}</Notice>}
      <ul>
        {open.map((a) => (
          <li key={a.id} className="border-t border-line py-2">
            <p>
              <b>{agendaWords(a, names)}</b>, {show.clock(a.startS)} to {show.time(a.endS)}:{' '}
              {whoWords(a, names)}.
            </p>
            {canWork && (
              <details>
                <summary className="min-h-12 cursor-pointer py-3 text-accent">
                  What could be done
                  <span className="sr-only">: {agendaWords(a, names)}</span>
                </summary>
                <div className="flex flex-wrap gap-2">
                  {absentPeople(board, a).map((personId) => (
                    <button
                      key={personId}
                      type="button"
                      className="button"
                      onClick={() =>
                        void tryIt({ kind: 'overtime', personId, startS: a.startS, endS: a.endS })
                      }
                    >
                      Try it with {names.person(personId)} there
                    </button>
                  ))}
                  <button
                    type="button"
                    className="button max-sm:hidden"
                    onClick={() => onShow(a.batch, a.step)}
                  >
                    Show it, to move it
                  </button>
                </div>
              </details>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
