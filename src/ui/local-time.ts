import { DateTime } from 'luxon';

/** Wall time in the site's zone as a field takes it, to the minute. */
export const localOf = (epochS: number, timeZone: string): string =>
  DateTime.fromSeconds(epochS, { zone: timeZone }).toFormat("yyyy-MM-dd'T'HH:mm");

/** The instant of a wall time in the site's zone, epoch s; null where it is none. */
export function instantS(local: string, timeZone: string): number | null {
  const at = DateTime.fromISO(local, { zone: timeZone });
  return local !== '' && at.isValid ? at.toSeconds() : null;
}
