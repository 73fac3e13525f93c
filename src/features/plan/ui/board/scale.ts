import { DateTime } from 'luxon';

export const ZOOMS = ['day', 'three_days', 'two_weeks'] as const;
export type Zoom = (typeof ZOOMS)[number];
export const ZOOM_WORDS: Record<Zoom, string> = {
  day: 'Day',
  three_days: 'Three days',
  two_weeks: 'Two weeks',
};

/** How wide an hour is, px, and so many hours from one mark to the next. */
const HOUR_PX: Record<Zoom, number> = { day: 44, three_days: 15, two_weeks: 3.4 };
const MARK_H: Record<Zoom, number> = { day: 2, three_days: 6, two_weeks: 24 };
/** So high is a lane, px. */
export const LANE_PX = 30;

export type Scale = { zoom: Zoom; startS: number; endS: number; pxPerS: number };

export const scaleOf = (zoom: Zoom, startS: number, endS: number): Scale => ({
  zoom,
  startS,
  endS,
  pxPerS: HOUR_PX[zoom] / 3600,
});
export const xOf = (s: Scale, atS: number): number => (atS - s.startS) * s.pxPerS;

export type Mark = { atS: number; day: string | null; hour: string };

/** Where the axis is marked: midnights with their day, and hours between; days of a clock change are as long as they are. */
export function marksOf(
  { zoom, startS, endS }: Scale,
  { timeZone, locale }: { timeZone: string; locale: string },
): Mark[] {
  const out: Mark[] = [];
  let day = DateTime.fromSeconds(startS, { zone: timeZone }).setLocale(locale).startOf('day');
  for (; day.toSeconds() < endS; day = day.plus({ days: 1 }))
    for (let h = 0; h < 24; h += MARK_H[zoom]) {
      const at = day.set({ hour: h });
      if (at.toSeconds() < startS || at.toSeconds() >= endS) continue;
      out.push({
        atS: at.toSeconds(),
        day: h === 0 ? day.toFormat('ccc d LLL') : null,
        hour: at.toFormat('HH'),
      });
    }
  return out;
}
