import { sql } from 'kysely';
import { partRecipe, type Recipe, type Rule, type RuleSet } from '@/core';
import { toDate, toEpochS } from '@/platform/clock';
import type { Handle, Tx } from '@/platform/db/client';
import { batchIdOf, partIdOf, refOf } from './ref';

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

/** Closed batches, the last that began first. @param skip so many of the last are passed over */
export async function closedBatches(
  db: Handle,
  search: string,
  limit: number,
  skip = 0,
): Promise<BatchHead[]> {
  let query = heads(db)
    .where('batch.closedAt', 'is not', null)
    .orderBy('batch.startedAt', 'desc')
    .limit(limit)
    .offset(skip);
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
  if (ids.length === 0) return {} as RuleSet;
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
