import { sql } from 'kysely';
import { toDate } from '@/platform/clock';
import type { Handle } from '@/platform/db/client';

/** A channel over an hour or a minute: lowest, mean and highest, °C, by its start. */
export type Summary = { tS: number; lowC: number; meanC: number; highC: number };

const TABLES = { minute: 'reading_minute', hour: 'reading_hour' } as const;

/** What a channel did between two times, by the hour or the minute, as it was summed while its readings came. */
export async function summariesOf(
  db: Handle,
  channelId: number,
  { fromS, toS, by }: { fromS: number; toS: number; by: keyof typeof TABLES },
): Promise<Summary[]> {
  const { rows } = await sql<Summary>`
    select extract(epoch from at)::float8 as t_s, low_c, sum_c / n as mean_c, high_c from ${sql.table(TABLES[by])}
    where channel_id = ${channelId} and at >= ${toDate(fromS)} and at < ${toDate(toS)} order by at`.execute(
    db,
  );
  return rows;
}
