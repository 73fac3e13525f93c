import { wetBulbFromRh, type ReadingPlace } from '@/core';
import { deviceHumiditySchema, deviceReadingSchema, type ReadingsAnswer } from './contract';

type Bad = ReadingsAnswer['bad'][number];
export type HouseChannel = { id: number; key: string; what: ReadingPlace };

/** A humidity and the air that it was measured in belong together within so long, ms. */
const TOGETHER_MS = 5 * 60_000;
/** Air whose humidity a sensor tells, °C. */
const AIR_C = { least: -10, most: 100 };

type AirRow = { atMs: number; tempC: number };

/** The air of the same report that is nearest to a time, or what a house's air sensor told last. */
function airBeside(atMs: number, reported: readonly AirRow[], last: AirRow | null): number | null {
  const near = [...reported, ...(last ? [last] : [])]
    .map((r) => ({ ...r, offMs: Math.abs(r.atMs - atMs) }))
    .filter((r) => r.offMs <= TOGETHER_MS);
  return (
    near.reduce<(typeof near)[number] | null>(
      (best, r) => (best && best.offMs <= r.offMs ? best : r),
      null,
    )?.tempC ?? null
  );
}

/** Air of a house in rows that say it, in the order of the report. */
const airsIn = (rows: readonly unknown[], airs: ReadonlySet<string>): AirRow[] =>
  rows.flatMap((raw) => {
    const row = deviceReadingSchema.safeParse(raw);
    return row.success && airs.has(row.data.channel)
      ? [{ atMs: Date.parse(row.data.at), tempC: row.data.tempC }]
      : [];
  });

/** Is this a row of a humidity sensor, whatever else may be wrong with it? */
export const isHumidity = (raw: unknown) =>
  typeof raw === 'object' && raw !== null && 'rh' in raw && !('tempC' in raw);

/**
 * Rows of a humidity sensor as what they stand for, the wet bulb of their air, so that a humidity is one thing everywhere. The air
 * is the row's own `airC`, or else that of the house in the same report or the last one stored, within five minutes.
 * @param lastAir newest stored reading of the house's air, or null
 * @returns the rows in their places, those that cannot be understood as undefined, with their reasons
 */
export function wetBulbRows(
  rows: readonly unknown[],
  channels: readonly HouseChannel[],
  lastAir: AirRow | null,
): { rows: unknown[]; bad: Bad[] } {
  if (!rows.some(isHumidity)) return { rows: [...rows], bad: [] };
  const bad: Bad[] = [];
  const keysOf = (what: ReadingPlace) =>
    new Set(channels.filter((c) => c.what === what).map((c) => c.key));
  const [wets, airs] = [keysOf('wet_bulb'), keysOf('air')];
  const reported = airsIn(rows, airs);
  const out = rows.map((raw, index): unknown => {
    if (!isHumidity(raw)) return raw;
    const say = (field: string, reason: string) => void bad.push({ index, field, reason });
    const parsed = deviceHumiditySchema.safeParse(raw);
    if (!parsed.success) {
      const issue = parsed.error.issues[0]!;
      return say(issue.path.join('.') || 'row', issue.message);
    }
    const { channel, at, rh, airC } = parsed.data;
    if (!wets.has(channel))
      return say(
        'channel',
        `"${channel}" is no humidity (wet bulb) channel of this device’s house`,
      );
    const air = airC ?? airBeside(Date.parse(at), reported, lastAir);
    if (air === null)
      return say(
        'airC',
        'no air temperature within five minutes: send it as airC, or the air’s own row',
      );
    if (air < AIR_C.least || air > AIR_C.most)
      return say('airC', `no humidity of air at ${air} °C can be told`);
    return { channel, at, tempC: Math.round(wetBulbFromRh(air, rh) * 100) / 100 };
  });
  return { rows: out, bad };
}
