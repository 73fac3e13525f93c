import { DateTime } from 'luxon';
import { QuantityError, requireFinite } from '../guard';

/** Somebody works on these weekdays (1 = Monday) from when to when; a time that is not later goes over midnight. */
export type Shift = { personId: string; days: number[]; from: string; to: string };
/** Nobody, or one person, is there on these days, yyyy-mm-dd, both included. A night's shift belongs to the day it begins on. */
export type DaysOff = { from: string; to: string; personId: string | null; why: string };
/** Somebody is there besides, on one day. */
export type ExtraHours = { personId: string; day: string; from: string; to: string };
/** Who works when. */
export type Roster = { shifts: Shift[]; off: DaysOff[]; extra: ExtraHours[] };

/** Who is there from when to when, epoch s. Spans follow each other and do not overlap; nobody there is no span. */
export type OnSite = { startS: number; endS: number; people: string[] };

type Own = { personId: string; startS: number; endS: number };

function timeOn(day: DateTime, hhmm: string): DateTime {
  const [hour, minute] = hhmm.split(':').map(Number) as [number, number];
  return hour === 24 ? day.plus({ days: 1 }).startOf('day') : day.set({ hour, minute });
}

/** From a time of a day to another, of the next day where it is not later. Days of a clock change are as long as they are. */
function between(day: DateTime, { personId, from, to }: Omit<Shift, 'days'>): Own {
  const start = timeOn(day, from);
  const sameDay = timeOn(day, to);
  const end = sameDay > start ? sameDay : timeOn(day.plus({ days: 1 }), to);
  return { personId, startS: start.toSeconds(), endS: end.toSeconds() };
}

const isOff = (off: readonly DaysOff[], personId: string, day: string): boolean =>
  off.some((o) => o.from <= day && day <= o.to && (o.personId === null || o.personId === personId));

/**
 * Who is there between two instants, in the site's zone. Extra hours count on days off too: somebody said that they come.
 * @param timeZone IANA zone · @param fromS, toS epoch s
 * @throws RangeError when the zone is unknown or a time is not finite
 * @example rosterSpans({ shifts: [{ personId: 'ada', days: [1], from: '08:00', to: '12:00' }], off: [], extra: [] }, 'Europe/Berlin', 1704067200, 1704153600) // [{ startS: 1704092400, endS: 1704106800, people: ['ada'] }]
 */
export function rosterSpans(
  roster: Roster,
  timeZone: string,
  fromS: number,
  toS: number,
): OnSite[] {
  requireFinite('toS', toS);
  const first = DateTime.fromSeconds(requireFinite('fromS', fromS), { zone: timeZone });
  if (!first.isValid) throw new QuantityError('timeZone', timeZone, 'an IANA time zone');
  const own: Own[] = [];
  /* A night's shift of the day before reaches into the first one. */
  for (
    let day = first.startOf('day').minus({ days: 1 });
    day.toSeconds() < toS;
    day = day.plus({ days: 1 })
  ) {
    const date = day.toISODate()!;
    for (const s of roster.shifts)
      if (s.days.includes(day.weekday) && !isOff(roster.off, s.personId, date))
        own.push(between(day, s));
    for (const e of roster.extra) if (e.day === date) own.push(between(day, e));
  }
  return flat(own, fromS, toS);
}

/** Overlapping spans of persons as spans of who is there; neighbours with the same people are one. */
function flat(own: readonly Own[], fromS: number, toS: number): OnSite[] {
  const edges = [...new Set([fromS, toS, ...own.flatMap((o) => [o.startS, o.endS])])]
    .filter((t) => t >= fromS && t <= toS)
    .sort((a, b) => a - b);
  const out: OnSite[] = [];
  edges.slice(0, -1).forEach((startS, i) => {
    const there = own.filter((o) => o.startS <= startS && startS < o.endS);
    const people = [...new Set(there.map((o) => o.personId))].sort();
    if (people.length === 0) return;
    const last = out.at(-1);
    const endS = edges[i + 1]!;
    if (last && last.endS === startS && last.people.join() === people.join()) last.endS = endS;
    else out.push({ startS, endS, people });
  });
  return out;
}
