import { ymd, type DateOrder, type WrittenTime } from './date-cells';
import { localClock, repeatedHours, type Repeated } from './local-time';

/** How the hours of a file without AM and PM are meant: 24 of them, or 12, of which the first is before or after noon. */
export type ClockKind = '24h' | 'AM' | 'PM';
export type RepeatedHour = 'first' | 'second';

export type Instants = {
  ms: (number | null)[];
  /** What was decided on the way and has to be said. */
  notes: string[];
};

type Local = Extract<WrittenTime, { kind: 'local' }>;
const DAY_MS = 86_400_000;

/** Wall clock of a local time as if it were UTC, ms; null when it is no day under this order. */
function wallMs(w: WrittenTime | null, order: DateOrder): number | null {
  if (w === null) return null;
  if (w.kind === 'instant') return w.ms;
  const day = ymd(w, order);
  return day ? Date.UTC(day[0], day[1] - 1, day[2], w.hms[0], w.hms[1], w.hms[2]) : null;
}

/** True when most steps between neighbouring rows go back in time: newest first. */
function newestFirst(wall: readonly (number | null)[]): boolean {
  let [known, back, last] = [0, 0, -Infinity];
  for (const t of wall) {
    if (t === null) continue;
    known += 1;
    if (t < last) back += 1;
    last = t;
  }
  return back > known / 2;
}

/** Hours of 1 to 12 only, without AM or PM, that go back by about half a day: a clock of twelve hours. */
export function twelveHourClock(
  written: readonly (WrittenTime | null)[],
  order: DateOrder,
): boolean {
  const local = written.filter((w): w is Local => w?.kind === 'local');
  if (local.length < 2 || local.some((w) => w.half || w.hms[0] < 1 || w.hms[0] > 12)) return false;
  const wall = local.map((w) => wallMs(w, order)).filter((t) => t !== null);
  const forward = newestFirst(wall) ? [...wall].reverse() : wall;
  return forward.slice(1).some((t, i) => {
    const step = t - forward[i]!;
    return step < -9 * 3_600_000 && step > -12.5 * 3_600_000;
  });
}

/** Hours of a twelve-hour clock as hours of a day, by their order from the first row's half on. */
function inTwentyFour(
  written: readonly (WrittenTime | null)[],
  first: 'AM' | 'PM',
): (WrittenTime | null)[] {
  let afternoon = first === 'PM';
  let last: number | null = null;
  return written.map((w) => {
    if (w?.kind !== 'local') return w;
    const hour = w.hms[0] % 12;
    const at = hour * 60 + w.hms[1];
    if (last !== null && at < last - 1) afternoon = !afternoon;
    last = at;
    return { ...w, hms: [hour + (afternoon ? 12 : 0), w.hms[1], w.hms[2]] };
  });
}

/** The written times in the order in which they were written down, and the hours in it that happened twice. */
export type Course = {
  ordered: readonly (WrittenTime | null)[];
  reverse: boolean;
  twice: Repeated;
};

export function courseOf(
  written: readonly (WrittenTime | null)[],
  order: DateOrder,
  timeZone: string,
): Course {
  const reverse = newestFirst(written.map((w) => wallMs(w, order)));
  const ordered = reverse ? [...written].reverse() : written;
  return { ordered, reverse, twice: repeatedHours(ordered, order, timeZone) };
}

/** Written times as instants in a zone, following the order in which the logger wrote them. */
export function toInstants(
  course: Course,
  order: DateOrder,
  timeZone: string,
  clock: ClockKind,
  repeated: RepeatedHour | undefined,
): Instants {
  const { ordered, reverse } = course;
  const hours = clock === '24h' ? ordered : inTwentyFour(ordered, clock);
  const local = localClock(timeZone, repeated === 'second');
  const ms = hours.map((w) => {
    if (w === null || w.kind === 'instant') return w?.ms ?? null;
    const day = ymd(w, order);
    const at = day && local(...day, w.hms);
    return at === null ? null : at + (w.laterMs ?? 0);
  });
  const notes: string[] = [];
  if (clock !== '24h') notes.push('Hours of a clock of twelve were told apart by their order.');
  const twice = clock === '24h' ? course.twice : repeatedHours(hours, order, timeZone);
  if (twice.passes > 1)
    notes.push(
      `The hour that happened twice on ${twice.day} was told apart by the order of its rows.`,
    );
  return { ms: reverse ? ms.reverse() : ms, notes };
}

/** Rows that lie in an hour which happened twice, while only one of its passes is in the file. */
export const unsureHour = ({ twice }: Course): string | null =>
  twice.passes === 1 && twice.startsInside ? twice.day : null;

/** Elapsed time of a cell since a start, ms: seconds, minutes or hours by the heading, or h:mm:ss. */
export function elapsedMs(cell: string, heading: string): number | null {
  const text = cell.trim();
  const clock = /^(?:(\d+)[d.\s]+)?(\d{1,4}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?$/.exec(text);
  if (clock) {
    const seconds = Number((clock[4] ?? '0').replace(',', '.'));
    return (
      Number(clock[1] ?? 0) * DAY_MS +
      (Number(clock[2]) * 60 + Number(clock[3])) * 60_000 +
      seconds * 1000
    );
  }
  if (!/^\d+(?:[.,]\d+)?$/.test(text)) return null;
  const value = Number(text.replace(',', '.'));
  if (/\bms\b|millis/i.test(heading)) return value;
  if (/\bh(?:ou)?rs?\b|\bh\b|stunden/i.test(heading)) return value * 3_600_000;
  if (/\bmin/i.test(heading)) return value * 60_000;
  return value * 1000;
}
