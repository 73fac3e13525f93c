import ical, { ICalCalendarMethod } from 'ical-generator';
import type { PlanNames } from '@/words/plan';
import { agendaWords, whoWords } from './agenda-words';
import type { AgendaItem } from './agenda';

/** A calendar's line ends where the name does not. */
const oneLine = (text: string) => text.replace(/[\r\n\u2028\u2029]+/g, ' ');

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
  const calendar = ical({
    name: oneLine(who),
    prodId: '-//Jolly Kettle//Plan//EN',
    method: ICalCalendarMethod.PUBLISH,
    ttl: ASK_AGAIN_S,
  });
  for (const a of agenda) {
    if (personId !== null && !a.people.includes(personId)) continue;
    calendar.createEvent({
      id: a.id.replaceAll(/[^\w-]+/g, '-'),
      start: new Date(a.startS * 1000),
      end: new Date(a.endS * 1000),
      summary: oneLine(agendaWords(a, names)),
      description: oneLine(whoWords(a, names)),
    });
  }
  return calendar.toString();
}
