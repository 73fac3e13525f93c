import { sql } from 'kysely';
import type { Calibration, Reading } from '@/core';
import { toDate } from '@/platform/clock';
import type { Handle } from '@/platform/db/client';
import { giveWay } from '@/platform/give-way';

/** Readings of channels between two times, by channel, in time order, s and °C. */
export const loadSeries = (
  db: Handle,
  channelIds: readonly number[],
  fromS: number,
  toS: number,
): Promise<Record<number, Reading[]>> =>
  loadSeriesAfter(
    db,
    channelIds.map((channelId) => ({ channelId, afterS: -Infinity })),
    fromS,
    toS,
  );

type SeriesRow = { channelId: number; ms: string; temps: string };

/** The same, of each channel only what is after a time of its own. */
export async function loadSeriesAfter(
  db: Handle,
  after: readonly { channelId: number; afterS: number }[],
  fromS: number,
  toS: number,
): Promise<Record<number, Reading[]>> {
  const series: Record<number, Reading[]> = Object.fromEntries(after.map((a) => [a.channelId, []]));
  if (after.length === 0) return series;
  /* By the millisecond, as times are given: what was read last is not read again. Channel by channel, each with times of its
     own: the database then knows how little it is asked for, and does not read the whole table. */
  const each = after.map(({ channelId, afterS }) => {
    const sinceS = Math.max(fromS - 0.001, afterS) + 0.001;
    /* A column of times and one of temperatures per channel: a row each costs five times as much to read. */
    return sql<SeriesRow>`
      select ${channelId}::int as channel_id, string_agg(ms::text, ',') as ms, string_agg(temp_c::text, ',') as temps
      from (
        select round(date_part('epoch', at) * 1000)::int8 as ms, temp_c from reading
        where channel_id = ${channelId} and at >= ${toDate(sinceS)} and at <= ${toDate(toS)} order by at) r
      having count(*) > 0`;
  });
  const rows = await sql<SeriesRow>`${sql.join(each, sql` union all `)}`.execute(db);
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

const HOUR_S = 3600;

/** How many readings each channel has from a time to one of its own, s: whole hours by their sums, the rest one by one. */
export async function countReadings(
  db: Handle,
  fromS: number,
  upTo: readonly { channelId: number; toS: number }[],
): Promise<Map<number, number>> {
  if (upTo.length === 0) return new Map();
  const wholeS = Math.ceil(fromS / HOUR_S) * HOUR_S;
  const { rows } = await sql<{ id: number; n: string }>`
    select c.id, (
      coalesce((select sum(h.n) from reading_hour h
        where h.channel_id = c.id and h.at >= ${toDate(wholeS)} and h.at < c.hour), 0)
      + (select count(*) from reading r
        where r.channel_id = c.id and r.at >= ${toDate(fromS)} and r.at < ${toDate(wholeS)} and r.at <= c.to_at)
      + (select count(*) from reading r
        where r.channel_id = c.id and r.at >= greatest(c.hour, ${toDate(wholeS)}) and r.at <= c.to_at)) as n
    from (select id, to_at, date_bin('1 hour', to_at, 'epoch') as hour
      from unnest(${upTo.map((u) => u.channelId)}::int[], ${upTo.map((u) => toDate(u.toS))}::timestamptz[]) as u (id, to_at)) c`.execute(
    db,
  );
  return new Map(rows.map((r) => [r.id, Number(r.n)]));
}

/** What the readings and the checks of probes come to: as long as there are as many of both, they are the same. */
export const markOf = (
  channels: readonly number[],
  counts: ReadonlyMap<number, number>,
  checks: number,
): string => `${channels.map((id) => counts.get(id) ?? 0).join('+')}/${checks}`;

/** How many checks of these probes there are. */
export async function countChecks(db: Handle, channels: readonly number[]): Promise<number> {
  const { rows } = await sql<{ checks: string }>`
    select count(*) as checks from calibration where channel_id = any(${[...channels]}::int[])`.execute(
    db,
  );
  return Number(rows[0]!.checks);
}

/** What tells evidence from evidence: readings are added and never changed, and so are checks of probes. */
export async function evidenceMark(
  db: Handle,
  { channels, fromS, endS }: EvidenceSpan,
  nowS: number,
): Promise<string> {
  if (channels.length === 0) return markOf([], new Map(), 0);
  const toS = endS ?? nowS;
  const counts = await countReadings(
    db,
    fromS,
    channels.map((channelId) => ({ channelId, toS })),
  );
  return markOf(channels, counts, await countChecks(db, channels));
}
