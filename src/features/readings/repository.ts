import { sql } from 'kysely';
import type { Reading, ReadingPlace, SensorSpot } from '@/core';
import type { Handle } from '@/platform/db/client';
import { enterReadings, isSealed, keepLate, sealsOver } from './seals';

export type ReadingRow = { channelId: number; atMs: number; tempC: number };
/** Rows stored now, indexes of those with another value than is there, and those kept beside a signed record. */
export type Stored = { added: number; conflicts: number[]; late: number };

const table = (rows: readonly ReadingRow[]) => sql`unnest(
    ${rows.map((r) => r.channelId)}::int[], ${rows.map((r) => r.atMs)}::float8[], ${rows.map((r) => r.tempC)}::real[]
  ) with ordinality as t (channel_id, at_ms, temp_c, i)`;

/**
 * Stores readings; each (channel, time) once. Rows that are there already with the same value are known; the
 * indexes of those with another value come back as conflicts and change nothing. What lies in the time of a signed
 * batch is kept beside it.
 */
export function storeReadings(db: Handle, rows: readonly ReadingRow[]): Promise<Stored> {
  if (rows.length === 0) return Promise.resolve({ added: 0, conflicts: [], late: 0 });
  return db.isTransaction ? store(db, rows) : db.transaction().execute((tx) => store(tx, rows));
}

async function store(db: Handle, rows: readonly ReadingRow[]): Promise<Stored> {
  await enterReadings(db);
  const seals = await sealsOver(db, rows);
  const open = seals.length === 0 ? rows : rows.filter((r) => !isSealed(r, seals));
  const inserted =
    open.length === 0
      ? null
      : await sql`
    insert into reading select channel_id, to_timestamp(at_ms / 1000), temp_c from ${table(open)} on conflict do nothing`.execute(
          db,
        );
  const added = Number(inserted?.numAffectedRows ?? 0);
  const late = await keepLate(db, seals.length === 0 ? [] : rows.filter((r) => isSealed(r, seals)));
  if (added + late === rows.length) return { added, conflicts: [], late };
  const differing = await sql<{ i: number }>`
    select (t.i - 1)::int as i from ${table(rows)}
    join reading r on r.channel_id = t.channel_id and r.at = to_timestamp(t.at_ms / 1000) and r.temp_c <> t.temp_c`.execute(
    db,
  );
  return { added, conflicts: differing.rows.map((r) => r.i), late };
}

export type Channel = {
  id: number;
  houseId: string | null;
  batchId: string | null;
  key: string;
  name: string;
  what: ReadingPlace;
} & SensorSpot;

export const houseChannels = (db: Handle, houseId: string): Promise<Channel[]> =>
  db
    .selectFrom('channel')
    .select(['id', 'houseId', 'batchId', 'key', 'name', 'what', 'level', 'depth'])
    .where('houseId', '=', houseId)
    .orderBy('id')
    .execute();

export const channelsByIds = (db: Handle, ids: readonly number[]): Promise<Channel[]> =>
  ids.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('channel')
        .select(['id', 'houseId', 'batchId', 'key', 'name', 'what', 'level', 'depth'])
        .where('id', 'in', [...ids])
        .execute();

/** The channel of a batch that an imported column fills, made when it is not there yet. */
export async function batchChannel(
  db: Handle,
  batchId: string,
  key: string,
  what: ReadingPlace,
): Promise<number> {
  const made = await db
    .insertInto('channel')
    .values({ batchId, houseId: null, key, name: key, what })
    .onConflict((c) =>
      c.columns(['batchId', 'key']).where('batchId', 'is not', null).doUpdateSet({ name: key }),
    )
    .returning('id')
    .executeTakeFirstOrThrow();
  return made.id;
}

/** The newest reading of each channel. */
export async function lastReadings(
  db: Handle,
  channelIds: readonly number[],
): Promise<Record<number, Reading>> {
  if (channelIds.length === 0) return {};
  const rows = await sql<{ channelId: number; tS: number; tempC: number }>`
    select c.id as channel_id, extract(epoch from r.at)::float8 as t_s, r.temp_c
    from unnest(${[...channelIds]}::int[]) as c (id)
    cross join lateral (select at, temp_c from reading where channel_id = c.id order by at desc limit 1) r`.execute(
    db,
  );
  return Object.fromEntries(rows.rows.map((r) => [r.channelId, { tS: r.tS, tempC: r.tempC }]));
}

/** The reading of a channel that is nearest to each of some times, by the time, °C; none within `mostS` is left out. */
export async function readingsNear(
  db: Handle,
  channelId: number,
  timesMs: readonly number[],
  mostS: number,
): Promise<Map<number, number>> {
  const { rows } = await sql<{ atMs: number; tempC: number }>`
    select t.at_ms, r.temp_c from unnest(${[...new Set(timesMs)]}::float8[]) as t (at_ms)
    cross join lateral (
      select temp_c from reading
      where channel_id = ${channelId} and at between to_timestamp(t.at_ms / 1000) - ${mostS} * interval '1 second'
        and to_timestamp(t.at_ms / 1000) + ${mostS} * interval '1 second'
      order by abs(extract(epoch from at) * 1000 - t.at_ms) limit 1) r`.execute(db);
  return new Map(rows.map((r) => [r.atMs, r.tempC]));
}
