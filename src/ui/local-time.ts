import { DateTime } from 'luxon';

const MINUTE = "yyyy-MM-dd'T'HH:mm";
const SECOND = "yyyy-MM-dd'T'HH:mm:ss";
const WRITTEN = /^\d{4}-\d\d-\d\dT\d\d:\d\d/;

/** One of the two instants that a clock shows alike, where it is set back: its offset, and the value that means it. */
export type Pass = { offset: string; value: string };
/** What a wall time is: usual; in an hour that comes twice, the earlier first; or left out by the clock, and taken as another. */
export type WallTime =
  { kind: 'once' } | { kind: 'twice'; passes: Pass[] } | { kind: 'never'; as: string };

/** The wall time of a field's value, without the offset that tells an hour from the same hour once more. */
export const wallOf = (value: string): string => value.replace(/(T.*)[+-]\d\d:\d\d$/, '$1');

/** What a wall time is in the site's zone; one that is none at all is `once`. */
export function wallTime(wall: string, timeZone: string): WallTime {
  const at = DateTime.fromISO(wall, { zone: timeZone });
  if (!at.isValid || !WRITTEN.test(wall)) return { kind: 'once' };
  const shown = at.toFormat(MINUTE);
  if (shown !== wall.slice(0, shown.length)) return { kind: 'never', as: at.toFormat('HH:mm') };
  const all = at.getPossibleOffsets().sort((a, b) => a.toMillis() - b.toMillis());
  if (all.length < 2) return { kind: 'once' };
  return {
    kind: 'twice',
    passes: all.map((one) => ({ offset: one.toFormat('ZZ'), value: wall + one.toFormat('ZZ') })),
  };
}

/** Wall time in the site's zone as a field takes it, to the minute; with its offset where the hour comes twice. */
export const localOf = (
  epochS: number,
  timeZone: string,
  to: 'minute' | 'second' = 'minute',
): string => {
  const at = DateTime.fromSeconds(epochS, { zone: timeZone });
  const offset = at.getPossibleOffsets().length > 1 ? at.toFormat('ZZ') : '';
  return at.toFormat(to === 'minute' ? MINUTE : SECOND) + offset;
};

/** The instant of a wall time in the site's zone, epoch s; null where it is none. */
export function instantS(local: string, timeZone: string): number | null {
  const at = DateTime.fromISO(local, { zone: timeZone });
  return local !== '' && at.isValid ? at.toSeconds() : null;
}
