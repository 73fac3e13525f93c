import type { Lever, PlacedStep } from '@/core';
import { toDate, toEpochS } from '@/platform/clock';
import type { Handle } from '@/platform/db/client';
import type { PlanContent, PlanWhy } from '@/platform/db/tables-plan';

/** One version of a plan, or of a copy of it. */
export type PlanVersion = PlanContent & {
  number: number;
  why: PlanWhy;
  madeS: number;
  madeByName: string;
};

const sameCopy = (copyId: string | null) => (copyId === null ? 'is' : '=');

const versionsOf = (db: Handle, copyId: string | null) =>
  db
    .selectFrom('planVersion')
    .select(['number', 'content', 'why', 'madeAt', 'madeByName'])
    .where('copyId', sameCopy(copyId), copyId)
    .orderBy('number', 'desc');

type Row = Awaited<ReturnType<ReturnType<typeof versionsOf>['execute']>>[number];
const toVersion = ({ content, madeAt, ...rest }: Row): PlanVersion => ({
  ...content,
  ...rest,
  madeS: toEpochS(madeAt),
});

/** The plan as it was kept last; null before anything was planned. */
export async function lastVersion(db: Handle, copyId: string | null): Promise<PlanVersion | null> {
  const row = await versionsOf(db, copyId).executeTakeFirst();
  return row ? toVersion(row) : null;
}

/** Where the steps of batches are by the plan, by batch: what Floor and the batch's own pages go by. */
export async function plannedSteps(db: Handle): Promise<(batch: string) => PlacedStep[]> {
  const steps = (await lastVersion(db, null))?.steps ?? [];
  return (batch) => steps.filter((s) => s.batch === batch);
}

export async function versionAt(
  db: Handle,
  copyId: string | null,
  number: number,
): Promise<PlanVersion | null> {
  const row = await versionsOf(db, copyId).where('number', '=', number).executeTakeFirst();
  return row ? toVersion(row) : null;
}

export const insertVersion = (
  db: Handle,
  v: { id: string; copyId: string | null; number: number; why: PlanWhy; by: string } & PlanContent,
) =>
  db
    .insertInto('planVersion')
    .values({
      id: v.id,
      copyId: v.copyId,
      number: v.number,
      why: v.why,
      madeByName: v.by,
      content: JSON.stringify({ steps: v.steps, pins: v.pins }),
    })
    .execute();

export type PlanCopy = { id: string; name: string; levers: Lever[]; madeS: number; by: string };

const copies = (db: Handle) =>
  db
    .selectFrom('planCopy')
    .select(['id', 'name', 'levers', 'madeAt', 'madeByName'])
    .where('ended', 'is', null)
    .orderBy('madeAt');

/** Copies that something is still tried in. */
export async function openCopies(db: Handle): Promise<PlanCopy[]> {
  const rows = await copies(db).execute();
  return rows.map(({ madeAt, madeByName, ...c }) => ({
    ...c,
    madeS: toEpochS(madeAt),
    by: madeByName,
  }));
}

export const insertCopy = (
  db: Handle,
  c: { id: string; name: string; levers: readonly Lever[]; by: string },
) =>
  db
    .insertInto('planCopy')
    .values({
      id: c.id,
      name: c.name,
      levers: JSON.stringify(c.levers),
      madeByName: c.by,
      ended: null,
      endedAt: null,
    })
    .execute();

export const saveLevers = (db: Handle, id: string, levers: readonly Lever[]) =>
  db
    .updateTable('planCopy')
    .set({ levers: JSON.stringify(levers) })
    .where('id', '=', id)
    .where('ended', 'is', null)
    .execute();

/** Ends a copy; false where it has ended already. */
export async function endCopy(
  db: Handle,
  id: string,
  ended: 'taken' | 'dropped',
): Promise<boolean> {
  const done = await db
    .updateTable('planCopy')
    .set({ ended, endedAt: new Date() })
    .where('id', '=', id)
    .where('ended', 'is', null)
    .executeTakeFirst();
  return done.numUpdatedRows > 0n;
}

export type Closure = { id: string; placeId: string; fromS: number; toS: number; why: string };

/** Places that are shut, as far as it is not over. */
export async function openClosures(db: Handle, nowS: number): Promise<Closure[]> {
  const rows = await db
    .selectFrom('closure')
    .select(['id', 'placeId', 'fromAt', 'toAt', 'why'])
    .where('removedAt', 'is', null)
    .where('toAt', '>', toDate(nowS))
    .orderBy('fromAt')
    .execute();
  return rows.map(({ fromAt, toAt, ...c }) => ({
    ...c,
    fromS: toEpochS(fromAt),
    toS: toEpochS(toAt),
  }));
}

export const insertClosure = (db: Handle, c: Closure & { by: string }) =>
  db
    .insertInto('closure')
    .values({
      id: c.id,
      placeId: c.placeId,
      fromAt: toDate(c.fromS),
      toAt: toDate(c.toS),
      why: c.why,
      madeByName: c.by,
      removedAt: null,
    })
    .onConflict((x) => x.column('id').doNothing())
    .execute();

export const removeClosure = (db: Handle, id: string) =>
  db
    .updateTable('closure')
    .set({ removedAt: new Date() })
    .where('id', '=', id)
    .where('removedAt', 'is', null)
    .execute();
