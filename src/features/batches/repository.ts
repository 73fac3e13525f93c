import { sql } from 'kysely';
import type { Author, Entry, EntryBody, Recipe, Rule, RuleSet } from '@/core';
import type { Handle, Tx } from '@/platform/db/client';
import { toDate, toEpochS } from '@/platform/clock';
import { hashOf } from '@/platform/hash';
import { entryBodySchema } from './contract';

export type NewEntry = {
  id: string;
  happenedS: number;
  by: Author;
  corrects: string | null;
  body: EntryBody;
};
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

/** Appends entries to the chain, never with a time before the last one’s; the caller holds the lock. */
export async function appendEntries(
  tx: Tx,
  batchId: string,
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
      batchId,
      seq,
      happenedAt: toDate(e.happenedS),
      recordedAt,
      byId: e.by.id,
      byName: e.by.name,
      corrects: e.corrects,
      body: e.body,
    };
    const hash = entryHash({ prev, ...fields });
    await tx
      .insertInto('entry')
      .values({ ...fields, kind: e.body.kind, body: JSON.stringify(e.body), prevHash: prev, hash })
      .execute();
    prev = hash;
  }
  await tx.updateTable('logbookHead').set({ seq, hash: prev }).where('id', '=', 1).execute();
}

export async function loadEntries(db: Handle, batchId: string): Promise<Entry[]> {
  const rows = await db
    .selectFrom('entry')
    .selectAll()
    .where('batchId', '=', batchId)
    .orderBy('seq')
    .execute();
  return rows.map((r) => ({
    id: r.id,
    seq: r.seq,
    happenedS: toEpochS(r.happenedAt),
    recordedS: toEpochS(r.recordedAt),
    by: { id: r.byId, name: r.byName },
    corrects: r.corrects,
    body: entryBodySchema.parse(r.body),
  }));
}

export const findEntry = (db: Handle, id: string) =>
  db
    .selectFrom('entry')
    .select(['id', 'batchId', 'body', 'corrects', 'happenedAt'])
    .where('id', '=', id)
    .executeTakeFirst();

export type BatchHead = {
  id: string;
  code: string;
  startedS: number;
  closedS: number | null;
  recipe: Recipe;
  recipeId: string;
  recipeVersion: number;
  recipeVersionId: string;
};

const heads = (db: Handle) =>
  db
    .selectFrom('batch')
    .innerJoin('recipeVersion as v', 'v.id', 'batch.recipeVersionId')
    .select([
      'batch.id',
      'batch.code',
      'batch.startedAt',
      'batch.closedAt',
      'batch.recipeVersionId',
      'v.content',
      'v.number',
      'v.recipeId',
    ]);

type HeadRow = Awaited<ReturnType<ReturnType<typeof heads>['execute']>>[number];
const toHead = (r: HeadRow): BatchHead => ({
  id: r.id,
  code: r.code,
  startedS: toEpochS(r.startedAt),
  closedS: r.closedAt && toEpochS(r.closedAt),
  recipe: r.content,
  recipeId: r.recipeId,
  recipeVersion: r.number,
  recipeVersionId: r.recipeVersionId,
});

export async function findBatch(db: Handle, id: string): Promise<BatchHead | null> {
  const row = await heads(db).where('batch.id', '=', id).executeTakeFirst();
  return row ? toHead(row) : null;
}

export const openBatches = async (db: Handle) =>
  (await heads(db).where('batch.closedAt', 'is', null).orderBy('batch.startedAt').execute()).map(
    toHead,
  );

export async function closedBatches(
  db: Handle,
  search: string,
  limit: number,
): Promise<BatchHead[]> {
  let query = heads(db)
    .where('batch.closedAt', 'is not', null)
    .orderBy('batch.startedAt', 'desc')
    .limit(limit);
  if (search) {
    const like = `%${search.replace(/[\\%_]/g, '\\$&')}%`;
    query = query.where((e) =>
      e.or([e('batch.code', 'ilike', like), e(sql<string>`v.content->>'name'`, 'ilike', like)]),
    );
  }
  return (await query.execute()).map(toHead);
}

/** The rules that a batch pinned when it started. */
export async function loadRules(db: Handle, ids: readonly string[]): Promise<RuleSet> {
  const rows = await db
    .selectFrom('rule')
    .selectAll()
    .where('id', 'in', [...ids])
    .execute();
  return Object.fromEntries(
    rows.map((r): [string, Rule] => [
      r.kind,
      {
        id: r.id,
        code: r.code,
        version: r.version,
        title: r.title,
        source: r.source,
        body: r.body,
      },
    ]),
  ) as RuleSet;
}

export const insertBatch = (
  tx: Tx,
  row: { id: string; code: string; recipeVersionId: string; startedS: number },
) =>
  tx
    .insertInto('batch')
    .values({
      id: row.id,
      code: row.code,
      recipeVersionId: row.recipeVersionId,
      startedAt: toDate(row.startedS),
    })
    .execute();

export const setClosed = (tx: Tx, id: string, closedS: number | null) =>
  tx
    .updateTable('batch')
    .set({ closedAt: closedS === null ? null : toDate(closedS) })
    .where('id', '=', id)
    .execute();

export async function countCodes(tx: Tx, prefix: string): Promise<number> {
  const row = await tx
    .selectFrom('batch')
    .select((e) => e.fn.countAll().as('n'))
    .where('code', 'like', `${prefix}%`)
    .executeTakeFirstOrThrow();
  return Number(row.n);
}
