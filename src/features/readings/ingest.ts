import { START_BACK_S } from '@/core';
import { siteSinceS } from '@/features/settings/service';
import { neverBlameDevices } from '@/platform/clock-watch';
import type { Db } from '@/platform/db/client';
import { notify } from '@/platform/events';
import { deviceReadingSchema, type ReadingsAnswer } from './contract';
import { TOGETHER_S, airlessTimes, wetBulbRows, type HouseChannel } from './humidity-rows';
import { houseChannels, readingsNear, storeReadings, type ReadingRow } from './repository';

type Bad = ReadingsAnswer['bad'][number];
type Row = ReadingRow & { index: number };

/** Between these two a time can be that of a reading, epoch s: a batch may be put in some time after its start. */
export type TimeRange = { fromS: number; toS: number };

/** A device clock may run ahead by this much before its readings are refused, s. */
const AHEAD_S = 600;

/** Why a time can't be that of a reading, or null. */
function outside(atS: number, { fromS, toS }: TimeRange): string | null {
  if (atS > toS) return 'in the future: check the clock of the device';
  return atS < fromS ? 'from before this site existed: check the clock of the device' : null;
}

/** Stored air of a house about the times of humidities that come without theirs. */
async function storedAir(db: Db, channels: readonly HouseChannel[], rows: readonly unknown[]) {
  const times = airlessTimes(rows);
  const sensor = channels.find((c) => c.what === 'air');
  return times.length > 0 && sensor
    ? readingsNear(db, sensor.id, times, TOGETHER_S)
    : new Map<number, number>();
}

/** Checks rows one by one against the device's channels and the range of times; the first of a repeated pair counts. */
export function sortRows(
  rows: readonly unknown[],
  channels: ReadonlyMap<string, number>,
  range: TimeRange,
) {
  const good = new Map<string, Row>();
  const bad: Bad[] = [];
  let repeated = 0;
  rows.forEach((raw, index) => {
    if (raw === undefined) return;
    const parsed = deviceReadingSchema.safeParse(raw);
    if (!parsed.success) {
      const issue = parsed.error.issues[0]!;
      return void bad.push({ index, field: issue.path.join('.') || 'row', reason: issue.message });
    }
    const { channel, at, tempC } = parsed.data;
    const channelId = channels.get(channel);
    if (channelId === undefined)
      return void bad.push({
        index,
        field: 'channel',
        reason: `"${channel}" is not a channel of this device’s house`,
      });
    const atMs = Date.parse(at);
    const wrong = outside(atMs / 1000, range);
    if (wrong) return void bad.push({ index, field: 'at', reason: wrong });
    const key = `${channelId}@${atMs}`;
    const first = good.get(key);
    if (!first) good.set(key, { channelId, atMs, tempC, index });
    else if (first.tempC === tempC) repeated += 1;
    else
      bad.push({
        index,
        field: 'tempC',
        reason: 'a different value for the same channel and time is in row ' + first.index,
      });
  });
  return { good: [...good.values()], bad, repeated };
}

/** Stores a device's readings and tells open pages; the answer says what was new, known and bad. */
export async function ingestReadings(
  db: Db,
  device: { id: string; houseId: string },
  rows: readonly unknown[],
  nowS: number,
): Promise<ReadingsAnswer> {
  const known = await houseChannels(db, device.houseId);
  const channels = new Map(known.map((c) => [c.key, c.id]));
  const range = { fromS: (await siteSinceS(db)) - START_BACK_S, toS: nowS + AHEAD_S };
  const told = wetBulbRows(rows, known, await storedAir(db, known, rows));
  const { good, bad: unfit, repeated } = sortRows(told.rows, channels, range);
  const bad = [...told.bad, ...unfit];
  if (bad.some((b) => b.field === 'at')) neverBlameDevices();
  return db.transaction().execute(async (tx) => {
    const stored = await storeReadings(tx, good);
    for (const i of stored.conflicts) {
      bad.push({
        index: good[i]!.index,
        field: 'tempC',
        reason: 'a different value is already stored for this channel and time; it was kept',
      });
    }
    await tx
      .updateTable('device')
      .set({ lastSeenAt: new Date(nowS * 1000) })
      .where('id', '=', device.id)
      .execute();
    if (stored.added > 0) await notify(tx, { topic: 'house', id: device.houseId });
    const { added, late } = stored;
    const again = good.length - added - late - stored.conflicts.length + repeated;
    return { ok: true, new: added, known: again, late, bad: bad.sort((a, b) => a.index - b.index) };
  });
}
