'use client';

import { useShow } from '@/ui/show-context';
import type { PlanNames } from '@/words/plan';
import { agendaWords, whoWords } from '../agenda-words';
import type { AgendaItem } from '../agenda';
import type { Board } from '../board';

const DAY_S = 24 * 3600;

/** What is to be done in the next day, by the clock. On a phone it stands in place of the board. */
export function TodayList({
  board,
  agenda,
  names,
}: {
  board: Board;
  agenda: readonly AgendaItem[];
  names: PlanNames;
}) {
  const show = useShow();
  const { nowS } = board;
  const next = agenda.filter((a) => a.endS > nowS && a.startS < nowS + DAY_S);
  return (
    <section aria-label="Next 24 hours" className="sheet mt-4">
      <h2 className="font-semibold">Next 24 hours</h2>
      {next.length === 0 && <p className="text-soft">Nothing is planned for them.</p>}
      <ol className="sm:columns-2 sm:gap-8 sm:text-sm">
        {next.map((a) => (
          <li
            key={a.id}
            className="flex break-inside-avoid gap-3 border-t border-line py-2 sm:py-1"
          >
            <span className="w-24 shrink-0 font-semibold">
              {a.startS <= nowS ? 'now' : show.ahead(a.startS, nowS)}
            </span>
            <span>
              {agendaWords(a, names)}
              <span className="block text-sm text-soft">
                {whoWords(a, names)}
                {a.startS > nowS && ` · ${show.until(a.startS, nowS)}`}
              </span>
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
