import { calendarFile } from '@/platform/calendar';
import type { PlanNames } from '@/words/plan';
import { agendaWords, whoWords } from './agenda-words';
import type { AgendaItem } from './agenda';

/** Calendars ask again after so long, s. */
const ASK_AGAIN_S = 3600;

/** Everything that is to be done, or what one person does, as an iCalendar file. */
export function calendarOf(
  agenda: readonly AgendaItem[],
  names: PlanNames,
  site: string,
  personId: string | null,
): string {
  const who = personId === null ? site : `${site}, ${names.person(personId)}`;
  const events = agenda
    .filter((a) => personId === null || a.people.includes(personId))
    .map((a) => ({
      id: a.id,
      startS: a.startS,
      endS: a.endS,
      summary: agendaWords(a, names),
      description: whoWords(a, names),
    }));
  return calendarFile(who, 'Plan', events, ASK_AGAIN_S);
}
