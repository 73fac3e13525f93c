import {
  entriesOfPart,
  ofPart,
  type Author,
  type Entry,
  type EntryBody,
  type EntryKind,
} from '@/core';
import type { Handle, Tx } from '@/platform/db/client';
import { toDate, toEpochS } from '@/platform/clock';
import { hashOf } from '@/platform/hash';
import { entryBodySchema } from './contract';
import { batchIdOf, partIdOf } from './ref';

export type NewEntry = {
  id: string;
  happenedS: number;
  by: Author;
  corrects: string | null;
  body: EntryBody;
};
/** The author of what the application records by itself. */
export const SYSTEM: Author = { id: 'system', name: 'Jolly Kettle' };

type HashedFields = {
  prev: string;
  id: string;
  batchId: string;
  seq: number;
  happenedAt: Date;
  recordedAt: Date;
  byId: string;
  byName: string;
  corrects: string | null;
  body: EntryBody;
};

/** The hash of an entry covers all that it says and the hash before it. */
export const entryHash = (e: HashedFields) =>
  hashOf({ ...e, happenedAt: e.happenedAt.toISOString(), recordedAt: e.recordedAt.toISOString() });

/** Locks the end of the chain until the transaction ends: appends go one after the other. */
export const lockHead = (tx: Tx) =>
  tx
    .selectFrom('logbookHead')
    .selectAll()
    .where('id', '=', 1)
    .forUpdate()
    .executeTakeFirstOrThrow();

/** When the entry of a place in the chain was recorded. */
async function recordedAtOf(tx: Tx, seq: number): Promise<Date> {
  const row = await tx
    .selectFrom('entry')
    .select('recordedAt')
    .where('seq', '=', seq)
    .executeTakeFirst();
  return row?.recordedAt ?? new Date(0);
}

/** The place of the last entry of all batches. */
export async function lastSeq(db: Handle): Promise<number> {
  const row = await db
    .selectFrom('logbookHead')
    .select('seq')
    .where('id', '=', 1)
    .executeTakeFirst();
  return row?.seq ?? 0;
}

/**
 * Appends entries to the chain, never with a time before the last one’s; the caller holds the lock. Those of a part
 * say so where their kind is about one.
 */
export async function chainEntries(
  tx: Tx,
  ref: string,
  entries: readonly NewEntry[],
  recordedS: number,
): Promise<void> {
  let { seq, hash: prev } = await lockHead(tx);
  const last = await recordedAtOf(tx, seq);
  const recordedAt = new Date(Math.max(last.getTime(), toDate(recordedS).getTime()));
  for (const e of entries) {
    seq += 1;
    const fields = {
      id: e.id,
      batchId: batchIdOf(ref),
      seq,
      happenedAt: toDate(e.happenedS),
      recordedAt,
      byId: e.by.id,
      byName: e.by.name,
      corrects: e.corrects,
      body: ofPart(e.body, partIdOf(ref)),
    };
    const hash = entryHash({ prev, ...fields });
    await tx
      .insertInto('entry')
      .values({
        ...fields,
        kind: e.body.kind,
        body: JSON.stringify(fields.body),
        prevHash: prev,
        hash,
      })
      .execute();
    prev = hash;
  }
  await tx.updateTable('logbookHead').set({ seq, hash: prev }).where('id', '=', 1).execute();
}

/** The place of a batch's last entry; of a part, that of its whole batch. */
export const lastSeqOf = async (db: Handle, ref: string): Promise<number> =>
  (await lastSeqsOf(db, [ref])).get(batchIdOf(ref)) ?? 0;

/** The last entry of each of these batches, by the batch's id; a batch without entries is left out. */
export async function lastSeqsOf(
  db: Handle,
  refs: readonly string[],
): Promise<ReadonlyMap<string, number>> {
  const ids = [...new Set(refs.map(batchIdOf))];
  if (ids.length === 0) return new Map();
  const rows = await db
    .selectFrom('entry')
    .select(['batchId', (e) => e.fn.max('seq').as('seq')])
    .where('batchId', 'in', ids)
    .groupBy('batchId')
    .execute();
  return new Map(rows.map((r) => [r.batchId, Number(r.seq)]));
}

/** The entries of a batch; of a part, those about it and about the whole batter. */
export async function loadEntries(db: Handle, ref: string): Promise<Entry[]> {
  const rows = await db
    .selectFrom('entry')
    .selectAll()
    .where('batchId', '=', batchIdOf(ref))
    .orderBy('seq')
    .execute();
  const entries = rows.map((r) => ({
    id: r.id,
    seq: r.seq,
    happenedS: toEpochS(r.happenedAt),
    recordedS: toEpochS(r.recordedAt),
    by: { id: r.byId, name: r.byName },
    corrects: r.corrects,
    body: entryBodySchema.parse(r.body),
  }));
  return entriesOfPart(entries, partIdOf(ref));
}

export const findEntry = (db: Handle, id: string) =>
  db
    .selectFrom('entry')
    .select(['id', 'batchId', 'body', 'corrects', 'happenedAt'])
    .where('id', '=', id)
    .executeTakeFirst();

/** Has this person ever recorded anything? */
export async function hasRecorded(db: Handle, personId: string): Promise<boolean> {
  const row = await db
    .selectFrom('entry')
    .select('id')
    .where('byId', '=', personId)
    .limit(1)
    .executeTakeFirst();
  return row !== undefined;
}

/** The batches in which a kind of entry was recorded, the last first. */
export async function lastBatchesWith(
  db: Handle,
  kind: EntryKind,
  limit: number,
): Promise<string[]> {
  const rows = await db
    .selectFrom('entry')
    .select('batchId')
    .where('kind', '=', kind)
    .groupBy('batchId')
    .orderBy((e) => e.fn.max('seq'), 'desc')
    .limit(limit)
    .execute();
  return rows.map((r) => r.batchId);
}
