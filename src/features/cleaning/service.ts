import type { CleaningTask } from '@/core';
import { toEpochS } from '@/platform/clock';
import type { Db, Handle } from '@/platform/db/client';
import type { DoneInput, TaskInput } from './contract';

/** What is cleaned here, each with when it was last done. */
export async function cleaningTasks(db: Handle): Promise<CleaningTask[]> {
  const rows = await db
    .selectFrom('cleaningTask as t')
    .leftJoin('cleaningDone as d', 'd.taskId', 't.id')
    .select(['t.id', 't.name', 't.minutes', 't.everyDays', 't.needsCold'])
    .select((e) => e.fn.max('d.doneAt').as('last'))
    .where('t.removedAt', 'is', null)
    .groupBy('t.id')
    .orderBy('t.name')
    .execute();
  return rows.map(({ last, ...t }) => ({ ...t, lastS: last === null ? null : toEpochS(last) }));
}

export type Cleaned = { id: string; name: string; note: string; atS: number; by: string };

/** The record of what was cleaned, newest first. */
export async function cleanedLately(db: Handle, limit = 60): Promise<Cleaned[]> {
  const rows = await db
    .selectFrom('cleaningDone')
    .select(['id', 'name', 'note', 'doneAt', 'byName'])
    .orderBy('doneAt', 'desc')
    .limit(limit)
    .execute();
  return rows.map((r) => ({
    id: r.id,
    name: r.name,
    note: r.note,
    atS: toEpochS(r.doneAt),
    by: r.byName,
  }));
}

/** Adds something to be cleaned, or changes it. */
export async function saveTask(db: Handle, { id, ...task }: TaskInput): Promise<void> {
  await db
    .insertInto('cleaningTask')
    .values({ id, ...task, removedAt: null })
    .onConflict((c) => c.column('id').doUpdateSet(task))
    .execute();
}

/** Takes it off the list: what was done stays in the record. */
export const removeTask = (db: Handle, id: string) =>
  db.updateTable('cleaningTask').set({ removedAt: new Date() }).where('id', '=', id).execute();

/** Records that it was done, by whom; sent twice, it counts once. False where there is no such task. */
export async function recordCleaned(
  db: Db,
  input: DoneInput,
  by: { id: string; name: string },
): Promise<boolean> {
  return db.transaction().execute(async (tx) => {
    const task = await tx
      .selectFrom('cleaningTask')
      .select('name')
      .where('id', '=', input.taskId)
      .executeTakeFirst();
    if (!task) return false;
    await tx
      .insertInto('cleaningDone')
      .values({ ...input, name: task.name, doneAt: new Date(), byId: by.id, byName: by.name })
      .onConflict((c) => c.column('id').doNothing())
      .execute();
    return true;
  });
}
