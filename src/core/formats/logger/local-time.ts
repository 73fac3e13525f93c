import { DateTime } from 'luxon';
import { ymd, type DateOrder, type WrittenTime } from './date-cells';

/**
 * Turns wall-clock times into instants, following the order in which a logger wrote them, so that the
 * hour that happens twice in autumn is told apart: the first pass is summer time; once the clock has
 * gone back the second pass is winter time.
 * @param second the file begins in the second pass of such an hour
 */
export function localClock(timeZone: string, second = false) {
  let previous = -Infinity;
  return (
    y: number,
    mo: number,
    d: number,
    [h, mi, s]: [number, number, number],
  ): number | null => {
    const whole = Math.floor(s);
    const fields = {
      year: y,
      month: mo,
      day: d,
      hour: h,
      minute: mi,
      second: whole,
      millisecond: Math.round((s - whole) * 1000),
    };
    const at = DateTime.fromObject(fields, { zone: timeZone });
    if (!at.isValid || at.hour !== h || at.minute !== mi) return null;
    const choices = at
      .getPossibleOffsets()
      .map((o) => o.toMillis())
      .sort((a, b) => a - b);
    const known = choices.find((c) => c >= previous) ?? choices.at(-1)!;
    const ms = second && previous === -Infinity ? choices.at(-1)! : known;
    previous = ms;
    return ms;
  };
}

/** How often a file passes through an hour that happened twice, on which day, and whether it begins inside. */
export function repeatedHours(
  ordered: readonly (WrittenTime | null)[],
  order: DateOrder,
  timeZone: string,
): { passes: number; day: string; startsInside: boolean } {
  let passes = 0;
  let day = '';
  let startsInside = false;
  let inside = false;
  let last = -Infinity;
  let seen = 0;
  for (const w of ordered) {
    if (w?.kind !== 'local') continue;
    const date = ymd(w, order);
    if (!date) continue;
    seen += 1;
    const [year, month, dayOf] = date;
    const at = DateTime.fromObject(
      { year, month, day: dayOf, hour: w.hms[0], minute: w.hms[1] },
      { zone: timeZone },
    );
    const twice = at.isValid && mayRepeat(w, at) && at.getPossibleOffsets().length > 1;
    const wall = Date.UTC(year, month - 1, dayOf, ...w.hms);
    if (twice && (!inside || wall < last)) {
      passes += 1;
      day = at.toISODate()!;
      startsInside ||= seen === 1;
    }
    inside = twice;
    last = wall;
  }
  return { passes, day, startsInside };
}

/** Clocks go back in the small hours of autumn and spring: nothing else is worth asking the zone for. */
const mayRepeat = (w: Extract<WrittenTime, { kind: 'local' }>, at: DateTime) =>
  w.hms[0] <= 4 && at.month >= 3;
