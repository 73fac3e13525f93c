import { sql } from 'kysely';
import type { Handle, Tx } from '@/platform/db/client';
import { holdLock, shareLock } from '@/platform/locks';
import type { ReadingRow } from './repository';

/** A stretch of a channel that a signature seals, epoch ms. */
type Sealed = { channelId: number; fromMs: number; toMs: number };

const toDate = (ms: number) => new Date(ms);

/** Nobody writes readings until the end of this transaction: a signature seals what is there now. */
export const holdReadings = (tx: Tx): Promise<void> => holdLock(tx, 'readings');

/** A writer of readings: it waits for a signature that is under way, and a signature for it. */
export const enterReadings = (db: Handle): Promise<void> => shareLock(db, 'readings');

/** Seals channels of a batch for its time; an earlier seal of them is replaced, by the longer of both. */
export async function sealChannels(
  tx: Tx,
  batchId: string,
  channelIds: readonly number[],
  fromS: number,
  toS: number,
): Promise<void> {
  if (channelIds.length === 0) return;
  const span = { batchId, fromAt: toDate(fromS * 1000), toAt: toDate(toS * 1000) };
  await tx
    .insertInto('seal')
    .values([...new Set(channelIds)].map((channelId) => ({ ...span, channelId })))
    .onConflict((c) =>
      c.columns(['batchId', 'channelId']).doUpdateSet({
        fromAt: sql`least(seal.from_at, excluded.from_at)`,
        toAt: sql`greatest(seal.to_at, excluded.to_at)`,
      }),
    )
    .execute();
}

/** A signature no longer stands: what comes now belongs to the record again. What another part is sealed by stays. */
export const liftSeal = async (
  tx: Tx,
  batchId: string,
  except: ReadonlySet<number> = new Set(),
): Promise<void> => {
  let lift = tx.deleteFrom('seal').where('batchId', '=', batchId);
  if (except.size > 0) lift = lift.where('channelId', 'not in', [...except]);
  await lift.execute();
};

/** The seals that rows may fall under. */
export async function sealsOver(db: Handle, rows: readonly ReadingRow[]): Promise<Sealed[]> {
  if (rows.length === 0) return [];
  let [from, to] = [Infinity, -Infinity];
  for (const r of rows) {
    from = Math.min(from, r.atMs);
    to = Math.max(to, r.atMs);
  }
  const found = await db
    .selectFrom('seal')
    .select(['channelId', 'fromAt', 'toAt'])
    .where('channelId', 'in', [...new Set(rows.map((r) => r.channelId))])
    .where('toAt', '>=', toDate(from))
    .where('fromAt', '<=', toDate(to))
    .execute();
  return found.map((s) => ({
    channelId: s.channelId,
    fromMs: s.fromAt.getTime(),
    toMs: s.toAt.getTime(),
  }));
}

export const isSealed = (row: ReadingRow, seals: readonly Sealed[]): boolean =>
  seals.some((s) => s.channelId === row.channelId && row.atMs >= s.fromMs && row.atMs <= s.toMs);

/** Keeps readings beside what was sealed: those that are not known there yet. @returns how many */
export async function keepLate(db: Handle, rows: readonly ReadingRow[]): Promise<number> {
  if (rows.length === 0) return 0;
  const kept = await sql`
    insert into late_reading (channel_id, at, temp_c)
    select t.channel_id, to_timestamp(t.at_ms / 1000), t.temp_c
    from unnest(
      ${rows.map((r) => r.channelId)}::int[], ${rows.map((r) => r.atMs)}::float8[], ${rows.map((r) => r.tempC)}::real[]
    ) as t (channel_id, at_ms, temp_c)
    where not exists (
      select 1 from reading r where r.channel_id = t.channel_id and r.at = to_timestamp(t.at_ms / 1000))
    on conflict do nothing`.execute(db);
  return Number(kept.numAffectedRows ?? 0);
}

/** What came for a sealed batch after its signature. */
export type Late = { count: number; firstS: number; lastS: number };

const underSeal = (batchId: string) => sql`
  from late_reading l join seal s
    on s.batch_id = ${batchId} and s.channel_id = l.channel_id and l.at between s.from_at and s.to_at`;

/** Late readings of a signed batch, or null. */
export async function lateOf(db: Handle, batchId: string): Promise<Late | null> {
  const { rows } = await sql<{ n: number; first: Date | null; last: Date | null }>`
    select count(*)::int as n, min(l.at) as first, max(l.at) as last ${underSeal(batchId)}`.execute(
    db,
  );
  const { n, first, last } = rows[0]!;
  return n === 0 || !first || !last
    ? null
    : { count: n, firstS: first.getTime() / 1000, lastS: last.getTime() / 1000 };
}

/** Takes a batch's late readings into its record and lifts its seal. @returns how many */
export async function admitLate(tx: Tx, batchId: string): Promise<number> {
  await enterReadings(tx);
  const taken = await sql`
    insert into reading select l.channel_id, l.at, l.temp_c ${underSeal(batchId)} on conflict do nothing`.execute(
    tx,
  );
  await sql`
    delete from late_reading d using seal s
    where s.batch_id = ${batchId} and s.channel_id = d.channel_id and d.at between s.from_at and s.to_at`.execute(
    tx,
  );
  await liftSeal(tx, batchId);
  return Number(taken.numAffectedRows ?? 0);
}
