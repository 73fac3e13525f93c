import ical, { ICalCalendarMethod } from 'ical-generator';

/** Something in a calendar; times epoch s. */
export type CalendarEvent = {
  id: string;
  startS: number;
  endS: number;
  summary: string;
  description: string;
};

/** A calendar's line ends where the name does not. */
const oneLine = (text: string) => text.replace(/[\r\n\u2028\u2029]+/g, ' ');

/**
 * An iCalendar file.
 * @param of what is in it, for who reads the file: 'Plan', 'Schedule'
 * @param askAgainS calendars ask again after so long, s; null for a file that is read once
 */
export function calendarFile(
  name: string,
  of: string,
  events: readonly CalendarEvent[],
  askAgainS: number | null = null,
): string {
  const calendar = ical({
    name: oneLine(name),
    prodId: `-//Jolly Kettle//${of}//EN`,
    method: ICalCalendarMethod.PUBLISH,
    ...(askAgainS === null ? {} : { ttl: askAgainS }),
  });
  for (const e of events)
    calendar.createEvent({
      id: e.id.replaceAll(/[^\w-]+/g, '-'),
      start: new Date(e.startS * 1000),
      end: new Date(e.endS * 1000),
      summary: oneLine(e.summary),
      description: oneLine(e.description),
    });
  return calendar.toString();
}
