import LRU from 'lru-cache';
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

const HOUR_S = 3600;
const FOUR_WEEKS_S = 28 * 24 * HOUR_S;
/** Spans of whole hours and whole four weeks: every batch of a page asks for nearly the same ones. */
const known = new LRU<string, OnSite[]>({ max: 16 });

/** Who is there between two instants: by the roster, or where it has no shifts one in the working hours. Spans follow each other. */
export function whoIsThere(hours: Hours, fromS: number, toS: number): OnSite[] {
  if (!(toS > fromS) || !Number.isFinite(toS - fromS)) return workOut(hours, fromS, toS);
  const { roster, timeZone, workingHours } = hours;
  const startS = Math.floor(fromS / HOUR_S) * HOUR_S;
  const endS = startS + Math.ceil((toS - startS) / FOUR_WEEKS_S) * FOUR_WEEKS_S;
  const key = JSON.stringify([roster, timeZone, workingHours, startS, endS]);
  const spans = known.get(key) ?? workOut(hours, startS, endS);
  known.set(key, spans);
  return spans
    .filter((s) => s.endS > fromS && s.startS < toS)
    .map((s) => ({ ...s, startS: Math.max(s.startS, fromS), endS: Math.min(s.endS, toS) }));
}

function workOut({ roster, timeZone, workingHours }: Hours, fromS: number, toS: number): OnSite[] {
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
