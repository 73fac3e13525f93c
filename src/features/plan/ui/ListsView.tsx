'use client';

import { PlainTable } from '@/ui/plain-table';
import { useShow } from '@/ui/show-context';
import { agendaWords, whoWords } from '../agenda-words';
import type { Board } from '../board';
import type { PlanLists } from '../lists';
import { useNames } from './use-names';

const DAY_S = 24 * 3600;
const WEEK_S = 7 * DAY_S;

/** What follows from the plan, on one page: by the clock, to thaw, to soak, to buy, who is needed, what burns. */
export function ListsView({ board, lists }: { board: Board; lists: PlanLists }) {
  const show = useShow();
  const names = useNames(board);
  const { nowS } = board;
  const soon = lists.agenda.filter((a) => a.startS < nowS + WEEK_S);
  const days = [...new Set(soon.map((a) => show.day(a.startS)))];
  const soaks = lists.agenda.filter((a) => a.code === 'soak');
  const people = [...new Set(lists.hours.map((h) => h.personId))];
  const hoursDays = [...new Set(lists.hours.map((h) => h.day))].slice(0, 8);
  const part = (title: string, empty: string, filled: boolean, body: React.ReactNode) => (
    <section aria-label={title} className="sheet min-w-0 max-sm:[overflow-wrap:anywhere]">
      <h2 className="mb-1 text-lg font-semibold">{title}</h2>
      {filled ? body : <p className="text-soft">{empty}</p>}
    </section>
  );
  return (
    <div className="one-page grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-2">
      {part(
        'By the clock, seven days',
        'Nothing is planned.',
        soon.length > 0,
        days.map((day) => (
          <div key={day}>
            <h3 className="mt-2 font-semibold">{day}</h3>
            <table className="plain-table plain-table-dense text-sm">
              <caption className="sr-only">{day}</caption>
              <tbody>
                {soon
                  .filter((a) => show.day(a.startS) === day)
                  .map((a) => (
                    <tr key={a.id}>
                      <td className="w-14 font-semibold print:w-8">{show.time(a.startS)}</td>
                      <td>{agendaWords(a, names)}</td>
                      <td className="w-32 text-soft print:w-auto">{whoWords(a, names)}</td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </div>
        )),
      )}
      <div className="space-y-4">
        {part(
          'To buy',
          'The stores have everything that is planned.',
          lists.short.length > 0,
          <PlainTable
            dense
            caption="To buy"
            head={['What', 'Short', 'Needed, here', 'By']}
            rows={lists.short.map((s) => [
              <b key="n">{s.name}</b>,
              <b key="s">{show.mass(s.short)}</b>,
              `${show.mass(s.needs)}, ${show.mass(s.has)}`,
              show.clock(s.byS),
            ])}
          />,
        )}
        {part(
          'To thaw and chill',
          'No meat is needed.',
          lists.thaw.length > 0,
          <PlainTable
            dense
            caption="To thaw and chill"
            head={['Out of the freezer, where it is frozen', 'Cold on the bench', 'Meat']}
            rows={lists.thaw.map((t) => [
              t.takeOutS < nowS ? `at once, or take chilled meat` : show.clock(t.takeOutS),
              show.clock(t.benchS),
              `${show.mass(t.meatG)} for ${names.batch(t.batch)}: ${t.lines}`,
            ])}
          />,
        )}
        {part(
          'To soak',
          'No casing goes into water.',
          soaks.length > 0,
          <PlainTable
            dense
            caption="To soak"
            head={['Into the water', 'Casing', 'For']}
            rows={soaks.map((a) => [show.clock(a.startS), a.what, names.batch(a.batch)])}
          />,
        )}
        {part(
          'Who is needed',
          'Nobody is needed.',
          people.length > 0,
          <PlainTable
            dense
            caption="Hours of work by person and day"
            head={['', ...hoursDays]}
            rows={people.map((id) => [
              names.person(id),
              ...hoursDays.map((day) => {
                const h = lists.hours.find((x) => x.personId === id && x.day === day);
                return h ? show.duration(h.workS) : '';
              }),
            ])}
          />,
        )}
        {part(
          'Houses and fuel',
          'No house burns.',
          lists.burns.length > 0,
          <PlainTable
            dense
            caption="Houses and fuel"
            head={['House', 'Burns', 'Lit', 'Fuel', 'Wood']}
            rows={lists.burns.map((b) => [
              b.name,
              show.duration(b.runsS),
              `${b.runs} ×`,
              b.fuel === null ? '' : `${b.fuel} ×`,
              b.wood === null ? '' : `${b.wood} ×`,
            ])}
          />,
        )}
      </div>
    </div>
  );
}
