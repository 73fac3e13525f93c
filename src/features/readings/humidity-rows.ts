import { nearest, wetBulbFromRh, type Reading, type ReadingPlace } from '@/core';
import { deviceHumiditySchema, deviceReadingSchema, type ReadingsAnswer } from './contract';

type Bad = ReadingsAnswer['bad'][number];
export type HouseChannel = { id: number; key: string; what: ReadingPlace };

/** A humidity and the air that it was measured in belong together within so long, s. */
export const TOGETHER_S = 5 * 60;
/** Air whose humidity a sensor tells, °C. */
const AIR_C = { least: -10, most: 100 };

/** Air of a house in rows that say it, in time. */
const airsIn = (rows: readonly unknown[], airs: ReadonlySet<string>): Reading[] =>
  rows
    .flatMap((raw) => {
      const row = deviceReadingSchema.safeParse(raw);
      return row.success && airs.has(row.data.channel)
        ? [{ tS: Date.parse(row.data.at) / 1000, tempC: row.data.tempC }]
        : [];
    })
    .sort((a, b) => a.tS - b.tS);

/** Is this a row of a humidity sensor, whatever else may be wrong with it? */
const isHumidity = (raw: unknown) =>
  typeof raw === 'object' && raw !== null && 'rh' in raw && !('tempC' in raw);

/** Times of humidities that come without their air, epoch ms. */
export const airlessTimes = (rows: readonly unknown[]): number[] =>
  rows.flatMap((raw) => {
    const row = isHumidity(raw) ? deviceHumiditySchema.safeParse(raw) : null;
    return row?.success && row.data.airC === undefined ? [Date.parse(row.data.at)] : [];
  });

/**
 * Rows of a humidity sensor as what they stand for, the wet bulb of their air, so that a humidity is one thing everywhere. The air
 * is the row's own `airC`, or else that of the house within five minutes, in the same report or stored before.
 * @param stored air of the house by the times of {@link airlessTimes}, °C
 * @returns the rows in their places, those that cannot be understood as undefined, with their reasons
 */
export function wetBulbRows(
  rows: readonly unknown[],
  channels: readonly HouseChannel[],
  stored: ReadonlyMap<number, number>,
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
    const atMs = Date.parse(at);
    const air = airC ?? nearest(reported, atMs / 1000, TOGETHER_S)?.tempC ?? stored.get(atMs);
    if (air === undefined)
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
