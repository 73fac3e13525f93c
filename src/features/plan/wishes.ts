import { READY_AHEAD_S } from '@/core';
import type { Person } from '@/features/accounts/identify';
import { startBatch } from '@/features/batches/service';
import type { PostResult } from '@/features/logbook/contract';
import { approvedVersions } from '@/features/recipes/service';
import { nowS, toDate, toEpochS } from '@/platform/clock';
import type { Db, Handle } from '@/platform/db/client';
import type { Priority, WishInput } from './contract';

export type Wish = {
  id: string;
  recipeId: string;
  meatG: number;
  readyByS: number;
  fromS: number | null;
  forWhom: string;
  priority: Priority;
};

/** More wishes than this at once are no plan any more. */
const MOST_OPEN = 200;

const open = (db: Handle) =>
  db
    .selectFrom('wish')
    .where('removedAt', 'is', null)
    .where((e) =>
      e.not(
        e.exists(e.selectFrom('batch').select('batch.id').whereRef('batch.id', '=', 'wish.id')),
      ),
    );

/** Batches that are wished and have not begun, by when they must be ready. */
export async function openWishes(db: Handle): Promise<Wish[]> {
  const rows = await open(db).selectAll().orderBy('readyBy').orderBy('id').execute();
  return rows.map((r) => ({
    id: r.id,
    recipeId: r.recipeId,
    meatG: r.meatG,
    readyByS: toEpochS(r.readyBy),
    fromS: r.fromAt && toEpochS(r.fromAt),
    forWhom: r.forWhom,
    priority: r.priority,
  }));
}

export type WishResult =
  { ok: true } | { ok: false; code: string; fields?: Record<string, string> };

/** Keeps a wish, new or changed. One that has begun is a batch and is changed there. */
export async function saveWish(db: Db, input: WishInput, by: string): Promise<WishResult> {
  const now = nowS();
  const readyByS = Date.parse(input.readyBy) / 1000;
  if (readyByS <= now)
    return { ok: false, code: 'ready_by_past', fields: { readyBy: 'ready_by_past' } };
  if (readyByS > now + READY_AHEAD_S)
    return { ok: false, code: 'ready_by_too_far', fields: { readyBy: 'ready_by_too_far' } };
  if (input.fromAt !== null && Date.parse(input.fromAt) / 1000 >= readyByS)
    return {
      ok: false,
      code: 'bad_input',
      fields: { fromAt: 'the meat comes after it must be ready' },
    };
  const approved = await approvedVersions(db);
  if (!approved.some((v) => v.recipeId === input.recipeId))
    return { ok: false, code: 'not_approved', fields: { recipeId: 'not_approved' } };
  const { id, fromAt, readyBy, ...rest } = input;
  const row = {
    ...rest,
    readyBy: new Date(readyBy),
    fromAt: fromAt === null ? null : new Date(fromAt),
  };
  return db.transaction().execute(async (tx): Promise<WishResult> => {
    const begun = await tx.selectFrom('batch').select('id').where('id', '=', id).executeTakeFirst();
    if (begun) return { ok: false, code: 'wish_begun' };
    const known = await tx
      .updateTable('wish')
      .set(row)
      .where('id', '=', id)
      .where('removedAt', 'is', null)
      .executeTakeFirst();
    if (known.numUpdatedRows > 0n) return { ok: true };
    const { n } = await open(tx)
      .select((e) => e.fn.countAll<string>().as('n'))
      .executeTakeFirstOrThrow();
    if (Number(n) >= MOST_OPEN) return { ok: false, code: 'too_many_wishes' };
    await tx
      .insertInto('wish')
      .values({ id, ...row, madeByName: by, removedAt: null })
      .onConflict((c) => c.column('id').doNothing())
      .execute();
    return { ok: true };
  });
}

export async function removeWish(db: Handle, id: string): Promise<boolean> {
  const gone = await db
    .updateTable('wish')
    .set({ removedAt: new Date() })
    .where('id', '=', id)
    .where('removedAt', 'is', null)
    .executeTakeFirst();
  return gone.numUpdatedRows > 0n;
}

/** Begins a wished batch now: it keeps the wish's number, and so its place in the plan. */
export async function startWish(db: Db, person: Person, id: string): Promise<PostResult> {
  const wish = (await openWishes(db)).find((w) => w.id === id);
  if (!wish) return { ok: false, code: 'no_such_wish' };
  const version = (await approvedVersions(db)).find((v) => v.recipeId === wish.recipeId);
  if (!version) return { ok: false, code: 'not_approved' };
  const now = nowS();
  return startBatch(db, person, {
    id,
    recipeVersionId: version.id,
    meatG: wish.meatG,
    /* It is late already: it begins all the same, to be ready as soon as can be. */
    readyBy: toDate(Math.max(wish.readyByS, now + 3600)).toISOString(),
    startedAt: toDate(now).toISOString(),
  });
}

/** For whom, and how pressing, batches were wished that have begun since. */
export async function wishedBatches(
  db: Handle,
): Promise<Map<string, { forWhom: string; priority: Priority }>> {
  const rows = await db
    .selectFrom('wish')
    .innerJoin('batch', 'batch.id', 'wish.id')
    .select(['wish.id', 'wish.forWhom', 'wish.priority'])
    .where('batch.closedAt', 'is', null)
    .execute();
  return new Map(rows.map(({ id, ...rest }) => [id, rest]));
}
