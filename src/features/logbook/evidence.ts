import { sql } from 'kysely';
import type { Calibration, Reading } from '@/core';
import { toDate } from '@/platform/clock';
import type { Handle } from '@/platform/db/client';
import { giveWay } from '@/platform/give-way';

/** Readings of channels between two times, by channel, in time order, s and °C. */
export async function loadSeries(
  db: Handle,
  channelIds: readonly number[],
  fromS: number,
  toS: number,
): Promise<Record<number, Reading[]>> {
  const series: Record<number, Reading[]> = Object.fromEntries(channelIds.map((id) => [id, []]));
  if (channelIds.length === 0) return series;
  /* A column of times and one of temperatures per channel: a row each costs five times as much to read. */
  const rows = await sql<{ channelId: number; ms: string; temps: string }>`
    select channel_id, string_agg(ms::text, ',') as ms, string_agg(temp_c::text, ',') as temps
    from (
      select channel_id, round(date_part('epoch', at) * 1000)::int8 as ms, temp_c from reading
      where channel_id = any(${[...channelIds]}::int[]) and at >= ${toDate(fromS)} and at <= ${toDate(toS)}
      order by channel_id, at) r
    group by channel_id`.execute(db);
  for (const r of rows.rows) {
    /* A channel at a time: a day of seconds takes a while, and others wait. */
    await giveWay();
    const ms = JSON.parse(`[${r.ms}]`) as number[];
    const temps = JSON.parse(`[${r.temps}]`) as number[];
    series[r.channelId] = ms.map((t, i) => ({ tS: t / 1000, tempC: temps[i]! }));
  }
  return series;
}

/** Checks of house channels, by channel; a house channel without any has an empty list, a file's column none. */
export async function loadCalibrations(
  db: Handle,
  channelIds: readonly number[],
): Promise<Record<number, Calibration[]>> {
  if (channelIds.length === 0) return {};
  const rows = await db
    .selectFrom('channel')
    .leftJoin('calibration', 'calibration.channelId', 'channel.id')
    .select([
      'channel.id',
      'calibration.offsetC',
      'calibration.ok',
      sql<number | null>`extract(epoch from checked_at)::float8`.as('atS'),
    ])
    .where('channel.id', 'in', [...channelIds])
    .where('channel.houseId', 'is not', null)
    .orderBy('calibration.checkedAt')
    .execute();
  const of: Record<number, Calibration[]> = {};
  for (const r of rows) {
    const list = (of[r.id] ??= []);
    if (r.atS !== null && r.offsetC !== null)
      list.push({ atS: r.atS, offsetC: r.offsetC, ...(r.ok === false ? { ok: false } : {}) });
  }
  return of;
}

/** Which readings are held against a record: of these channels, from its start to its end; without one, to now. */
export type EvidenceSpan = { channels: readonly number[]; fromS: number; endS: number | null };

/**
 * What tells evidence from evidence: readings are added and never changed, and so are checks of probes. As long as
 * there are as many of both, they are the same.
 */
export async function evidenceMark(
  db: Handle,
  { channels, fromS, endS }: EvidenceSpan,
  nowS: number,
): Promise<string> {
  if (channels.length === 0) return '';
  const ids = sql`any(${[...channels]}::int[])`;
  const { rows } = await sql<{ readings: string; checks: string }>`
    select
      (select count(*) from reading
        where channel_id = ${ids} and at >= ${toDate(fromS)} and at <= ${toDate(endS ?? nowS)}) as readings,
      (select count(*) from calibration where channel_id = ${ids}) as checks`.execute(db);
  return `${rows[0]!.readings}/${rows[0]!.checks}`;
}
