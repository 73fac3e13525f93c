import { sql } from 'kysely';
import type { Handle } from '../db/client';
import { sha256 } from '../hash';
import { FACTS, type FactTable } from './facts';

/** Digests by table and key of a row. */
export type Digests = Map<string, Map<string, string>>;
/** Number and sums of the readings of a day. */
export type DaySum = { n: number; s1: bigint; s2: bigint };

/** What a table says now. What is hashed is read as text and hashed here: no function of the database is believed. */
async function tableNow(db: Handle, { name, key, skip = [] }: FactTable) {
  const fact = sql`to_jsonb(t) - ${[...skip]}::text[]`;
  const { rows } = await sql<{ key: string; fact: string }>`
    select
      (select string_agg(to_jsonb(t) ->> k, '/' order by i) from unnest(${[...key]}::text[]) with ordinality as u (k, i)) as key,
      (select jsonb_object_agg(k, v) from jsonb_each(${fact}) as f (k, v) where v <> 'null')::text as fact
    from ${sql.table(name)} t`.execute(db);
  return new Map(rows.map((r) => [r.key, sha256(r.fact)]));
}

/** What the fact tables say now. The time zone of the transaction must be UTC. */
export async function digestsNow(db: Handle): Promise<Digests> {
  const all: Digests = new Map();
  for (const table of FACTS) all.set(table.name, await tableNow(db, table));
  return all;
}

/** What the readings of each day come to now. */
export async function daysNow(db: Handle): Promise<Map<string, DaySum>> {
  const { rows } = await sql<{ day: string; n: number; s1: string; s2: string }>`
    select day, count(*)::int as n, sum(('x' || substr(h, 1, 15))::bit(60)::bigint)::text as s1,
      sum(('x' || substr(h, 16, 15))::bit(60)::bigint)::text as s2
    from (
      select to_char(at, 'YYYY-MM-DD') as day,
        encode(sha256(convert_to(channel_id || '|' || (extract(epoch from at) * 1000000)::bigint || '|' || temp_c, 'UTF8')), 'hex') as h
      from reading) r
    group by day`.execute(db);
  return new Map(rows.map((r) => [r.day, { n: r.n, s1: BigInt(r.s1), s2: BigInt(r.s2) }]));
}

/** Everything in this transaction is read as of one moment, with times as in UTC. */
export const readInUtc = async (db: Handle): Promise<void> => {
  await sql`set local timezone = 'UTC'`.execute(db);
};
