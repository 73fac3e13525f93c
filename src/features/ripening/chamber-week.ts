import { chamberSwing, rhFromWetBulb, type ChamberSwing } from '@/core';
import { houseChannels, hoursOf, type Summary } from '@/features/readings/service';
import type { Handle } from '@/platform/db/client';

/** A chamber over its last week: its air by the hour, how it swings, and its humidity where it has a wet bulb. */
export type ChamberWeek = {
  sensor: string;
  air: Summary[];
  swing: ChamberSwing;
  humidity: { tS: number; rh: number }[];
};

const WEEK_S = 7 * 86_400;

/** The last week of a chamber as its first air sensor tells; null with less than half a day. */
export async function chamberWeek(
  db: Handle,
  houseId: string,
  nowS: number,
): Promise<ChamberWeek | null> {
  const channels = await houseChannels(db, houseId);
  const sensor = channels.find((c) => c.what === 'air');
  if (!sensor) return null;
  const week = { fromS: nowS - WEEK_S, toS: nowS };
  const air = await hoursOf(db, sensor.id, week);
  const swing = chamberSwing(air);
  if (!swing) return null;
  const wet = channels.find((c) => c.what === 'wet_bulb');
  const wets = new Map(wet ? (await hoursOf(db, wet.id, week)).map((w) => [w.tS, w.meanC]) : []);
  const humidity = air.flatMap((a) => {
    const wetC = wets.get(a.tS);
    if (wetC === undefined || a.meanC < 0) return [];
    return [{ tS: a.tS, rh: Math.min(1, rhFromWetBulb(a.meanC, Math.min(wetC, a.meanC))) }];
  });
  return { sensor: sensor.name, air, swing, humidity };
}
