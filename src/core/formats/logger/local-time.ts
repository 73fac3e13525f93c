import { DateTime } from 'luxon';
import { ymd, type DateOrder, type WrittenTime } from './date-cells';

const QUARTER_MS = 900_000;

/**
 * What a wall clock can mean in a zone: instants less the wall clock taken as UTC, ms, earliest first; two in an
 * hour that happens twice, none in one that is left out. Asked of the zone once for each quarter of an hour:
 * clocks have changed at no other times since 1990.
 */
function zoneOffsets(timeZone: string): (wallMs: number) => readonly number[] {
  const known = new Map<number, readonly number[]>();
  const ask = (startMs: number): readonly number[] => {
    const wall = DateTime.fromMillis(startMs, { zone: 'utc' });
    const at = wall.setZone(timeZone, { keepLocalTime: true });
    if (!at.isValid || at.hour !== wall.hour || at.minute !== wall.minute) return [];
    return at
      .getPossibleOffsets()
      .map((o) => o.toMillis() - startMs)
      .sort((x, y) => x - y);
  };
  let lastQuarter = NaN;
  let last: readonly number[] = [];
  return (wallMs) => {
    const quarter = Math.floor(wallMs / QUARTER_MS);
    if (quarter === lastQuarter) return last;
    lastQuarter = quarter;
    last = known.get(quarter) ?? ask(quarter * QUARTER_MS);
    known.set(quarter, last);
    return last;
  };
}

/**
 * Turns wall-clock times into instants, following the order in which a logger wrote them, so that the
 * hour that happens twice in autumn is told apart: the first pass is summer time; once the clock has
 * gone back the second pass is winter time.
 * @param second the file begins in the second pass of such an hour
 */
export function localClock(timeZone: string, second = false) {
  const offsets = zoneOffsets(timeZone);
  let previous = -Infinity;
  return (
    y: number,
    mo: number,
    d: number,
    [h, mi, s]: [number, number, number],
  ): number | null => {
    const wallMs = Date.UTC(y, mo - 1, d, h, mi) + Math.round(s * 1000);
    const choices = offsets(wallMs);
    const last = choices.at(-1);
    if (last === undefined) return null;
    const known = choices.find((c) => wallMs + c >= previous) ?? last;
    previous = wallMs + (second && previous === -Infinity ? last : known);
    return previous;
  };
}

/** How often a file passes through an hour that happened twice, on which day, and whether it begins inside. */
export type Repeated = { passes: number; day: string; startsInside: boolean };

/** Follows the written times through the hours that happen twice. */
export function repeatedHours(
  ordered: readonly (WrittenTime | null)[],
  order: DateOrder,
  timeZone: string,
): Repeated {
  let passes = 0;
  let day = '';
  let startsInside = false;
  let inside = false;
  let last = -Infinity;
  let seen = 0;
  const offsets = zoneOffsets(timeZone);
  for (const w of ordered) {
    if (w?.kind !== 'local') continue;
    const date = ymd(w, order);
    if (!date) continue;
    seen += 1;
    const [year, month, dayOf] = date;
    const wall = Date.UTC(year, month - 1, dayOf, ...w.hms);
    const twice = offsets(wall).length > 1;
    if (twice && (!inside || wall < last)) {
      passes += 1;
      day = new Date(wall).toISOString().slice(0, 10);
      startsInside ||= seen === 1;
    }
    inside = twice;
    last = wall;
  }
  return { passes, day, startsInside };
}
