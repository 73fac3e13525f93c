import { sql } from 'kysely';
import { toDate } from '@/platform/clock';
import type { Handle } from '@/platform/db/client';

/** A channel over an hour: lowest, mean and highest, °C, by its start. */
export type Summary = { tS: number; lowC: number; meanC: number; highC: number };

/** What a channel did between two times by the hour, as it was summed while its readings came. */
export async function hoursOf(
  db: Handle,
  channelId: number,
  { fromS, toS }: { fromS: number; toS: number },
): Promise<Summary[]> {
  const { rows } = await sql<Summary>`
    select extract(epoch from at)::float8 as t_s, low_c, sum_c / n as mean_c, high_c from reading_hour
    where channel_id = ${channelId} and at >= ${toDate(fromS)} and at < ${toDate(toS)} order by at`.execute(
    db,
  );
  return rows;
}
