import { DateTime } from 'luxon';

const OFFSET = /\b(?:UTC|GMT)\s*(?:([+\-\u2212\u2013])\s*(\d{1,2})(?::?(\d{2}))?)?/i;
const NAMED = /\b[A-Z][A-Za-z]+(?:\/[A-Z][A-Za-z_]+)+\b/;

/**
 * The zone that a heading or a line of a preamble states: "Time (UTC)", "GMT−06:00", "Europe/Berlin".
 * @returns an IANA zone or a fixed offset such as `UTC-6`, as Luxon reads it; null when none is stated
 */
export function zoneIn(text: string): string | null {
  const named = NAMED.exec(text)?.[0];
  if (named && DateTime.utc().setZone(named).isValid) return named;
  const m = OFFSET.exec(text);
  if (!m) return /\(\s*Z\s*\)/.test(text) ? 'UTC' : null;
  if (!m[1]) return 'UTC';
  const minutes = Number(m[3] ?? 0);
  return `UTC${m[1] === '+' ? '+' : '-'}${Number(m[2])}${minutes ? `:${String(minutes).padStart(2, '0')}` : ''}`;
}
