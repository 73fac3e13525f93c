import { sql } from 'kysely';
import {
  entriesOfPart,
  ofPart,
  partRecipe,
  type Author,
  type Entry,
  type EntryBody,
  type Recipe,
  type Rule,
  type RuleSet,
} from '@/core';
import type { Handle, Tx } from '@/platform/db/client';
import { toDate, toEpochS } from '@/platform/clock';
import { hashOf } from '@/platform/hash';
import { entryBodySchema } from './contract';
import { batchIdOf, partIdOf, refOf } from './ref';

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

/**
 * Appends entries to the chain, never with a time before the last one’s; the caller holds the lock. Those of a part
 * say so where their kind is about one.
 */
export async function appendEntries(
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

export type BatchHead = {
  /** The batch, or one part of it: see `ref`. */
  id: string;
  batchId: string;
  code: string;
  startedS: number;
  closedS: number | null;
  /** That of the part, where it is one. */
  recipe: Recipe;
  /** As it is stored. */
  wholeRecipe: Recipe;
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
  batchId: r.id,
  code: r.code,
  startedS: toEpochS(r.startedAt),
  closedS: r.closedAt && toEpochS(r.closedAt),
  recipe: r.content,
  wholeRecipe: r.content,
  recipeId: r.recipeId,
  recipeVersion: r.number,
  recipeVersionId: r.recipeVersionId,
});

/** The heads of a batch's parts; the batch's own where it has none. */
export function partsOfHead(head: BatchHead): BatchHead[] {
  const { parts } = head.wholeRecipe;
  if (!parts) return [head];
  return parts.map((p) => ({
    ...head,
    id: refOf(head.batchId, p.id),
    code: `${head.code}-${p.id}`,
    recipe: partRecipe(head.wholeRecipe, p.id)!,
  }));
}

/** A batch by its id, or one of its parts; null where there is no such. */
export async function findBatch(db: Handle, ref: string): Promise<BatchHead | null> {
  const row = await heads(db).where('batch.id', '=', batchIdOf(ref)).executeTakeFirst();
  if (!row) return null;
  const head = toHead(row);
  return partIdOf(ref) === null ? head : (partsOfHead(head).find((h) => h.id === ref) ?? null);
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
  return (await query.execute()).map(toHead).flatMap(partsOfHead);
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

/** Closes or opens a whole batch; see `closeRef` for one of several parts. */
export const setClosed = (tx: Tx, ref: string, closedS: number | null) =>
  tx
    .updateTable('batch')
    .set({ closedAt: closedS === null ? null : toDate(closedS) })
    .where('id', '=', batchIdOf(ref))
    .execute();

export async function countCodes(tx: Tx, prefix: string): Promise<number> {
  const row = await tx
    .selectFrom('batch')
    .select((e) => e.fn.countAll().as('n'))
    .where('code', 'like', `${prefix}%`)
    .executeTakeFirstOrThrow();
  return Number(row.n);
}
