import type { Db } from '@/platform/db/client';
import { notify } from '@/platform/events';
import { deviceReadingSchema, type ReadingsAnswer } from './contract';
import { houseChannels, storeReadings, type ReadingRow } from './repository';

type Bad = ReadingsAnswer['bad'][number];
type Row = ReadingRow & { index: number };

/** A device clock may run ahead by this much before its readings are refused, s. */
const AHEAD_S = 300;

/** Checks rows one by one against the device's channels and the clock; the first of a repeated pair counts. */
export function sortRows(
  rows: readonly unknown[],
  channels: ReadonlyMap<string, number>,
  nowS: number,
) {
  const good = new Map<string, Row>();
  const bad: Bad[] = [];
  let repeated = 0;
  rows.forEach((raw, index) => {
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
    if (atMs / 1000 > nowS + AHEAD_S)
      return void bad.push({
        index,
        field: 'at',
        reason: 'in the future: check the clock of the device',
      });
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
  const channels = new Map((await houseChannels(db, device.houseId)).map((c) => [c.key, c.id]));
  const { good, bad, repeated } = sortRows(rows, channels, nowS);
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
    const known = good.length - added - late - stored.conflicts.length + repeated;
    return { ok: true, new: added, known, late, bad: bad.sort((a, b) => a.index - b.index) };
  });
}
