import { DateTime } from 'luxon';
import { QuantityError } from '../guard';

/** Attended hours per ISO weekday (1 = Monday); null is a day off. Times as HH:mm in the site's zone. */
export type WorkingHours = Record<
  '1' | '2' | '3' | '4' | '5' | '6' | '7',
  { from: string; to: string } | null
>;

export type Span = { startS: number; endS: number };

function at(day: DateTime, hhmm: string): number {
  const [hour, minute] = hhmm.split(':').map(Number) as [number, number];
  return (
    hour === 24 ? day.plus({ days: 1 }).startOf('day') : day.set({ hour, minute })
  ).toSeconds();
}

/**
 * Attended spans between two instants, epoch seconds, in the site's zone: a day with a clock change is
 * as long as it really is.
 * @throws RangeError when the zone is unknown
 */
export function workingSpans(
  hours: WorkingHours,
  timeZone: string,
  fromS: number,
  toS: number,
): Span[] {
  const spans: Span[] = [];
  let day = DateTime.fromSeconds(fromS, { zone: timeZone }).startOf('day');
  if (!day.isValid) throw new QuantityError('timeZone', timeZone, 'an IANA time zone');
  for (; day.toSeconds() < toS; day = day.plus({ days: 1 })) {
    const open = hours[String(day.weekday) as keyof WorkingHours];
    if (open) spans.push({ startS: at(day, open.from), endS: at(day, open.to) });
  }
  return spans;
}
