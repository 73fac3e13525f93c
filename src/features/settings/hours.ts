import { rosterSpans, type OnSite, type Shift, type Span, type WorkingHours } from '@/core';
import type { Site } from './repository';

/** Stands for whoever is there in working hours, where no roster says who. */
export const ANYBODY = 'anybody';

type Hours = Pick<Site, 'timeZone' | 'workingHours' | 'roster'>;

/** Working hours as the shifts of somebody without a name. */
const asShifts = (hours: WorkingHours): Shift[] =>
  Object.entries(hours).flatMap(([day, open]) =>
    open ? [{ personId: ANYBODY, days: [Number(day)], ...open }] : [],
  );

/** Who is there between two instants: by the roster, or where it has no shifts one in the working hours. Spans follow each other. */
export function whoIsThere(
  { roster, timeZone, workingHours }: Hours,
  fromS: number,
  toS: number,
): OnSite[] {
  const { shifts = [], off = [], extra = [] } = roster ?? {};
  const said = shifts.length > 0 ? shifts : asShifts(workingHours);
  return rosterSpans({ shifts: said, off, extra }, timeZone, fromS, toS);
}

/** When somebody is there between two instants. */
export function attendedSpans(site: Hours, fromS: number, toS: number): Span[] {
  const out: Span[] = [];
  for (const { startS, endS } of whoIsThere(site, fromS, toS)) {
    const last = out.at(-1);
    if (last && last.endS === startS) last.endS = endS;
    else out.push({ startS, endS });
  }
  return out;
}
