import { randomUUID } from 'node:crypto';
import { halvesOf, type Lever, type PinnedStep, type PlacedStep } from '@/core';
import type { z } from 'zod';
import { sql } from 'kysely';
import type { Db, Tx } from '@/platform/db/client';
import { v5Id } from '@/platform/ids';
import type { PlanContent, PlanWhy } from '@/platform/db/tables-plan';
import { type copySchema, type endCopySchema, type SavePlan } from './contract';
import {
  endCopy,
  insertCopy,
  insertVersion,
  lastVersion,
  openCopies,
  saveLevers,
  versionAt,
} from './repository';
import { takeLever } from './take-levers';

export type PlanResult = { ok: true; number: number } | { ok: false; code: string };

/** Two that keep a plan at the same moment come one after the other, so that the second is told. */
const alone = <T>(db: Db, work: (tx: Tx) => Promise<T>): Promise<T> =>
  db.transaction().execute(async (tx) => {
    await sql`select pg_advisory_xact_lock(hashtext('plan'))`.execute(tx);
    return work(tx);
  });

async function keep(
  tx: Tx,
  copyId: string | null,
  basedOn: number,
  content: PlanContent & { why: PlanWhy; by: string },
): Promise<PlanResult> {
  const last = await lastVersion(tx, copyId);
  if ((last?.number ?? 0) !== basedOn) return { ok: false, code: 'plan_changed' };
  const number = basedOn + 1;
  await insertVersion(tx, { id: randomUUID(), copyId, number, ...content });
  return { ok: true, number };
}

const isOpen = async (tx: Tx, copyId: string | null) =>
  copyId === null || (await openCopies(tx)).some((c) => c.id === copyId);

/** Keeps a plan over the one that it was made from; whoever made theirs from an older one is told. */
export const savePlan = (db: Db, input: SavePlan, by: string): Promise<PlanResult> =>
  alone(db, async (tx): Promise<PlanResult> => {
    const { copyId, basedOn, steps, pins, why } = input;
    if (!(await isOpen(tx, copyId))) return { ok: false, code: 'no_such_copy' };
    return keep(tx, copyId, basedOn, { steps, pins, why, by });
  });

/** Goes back to the plan before the last change; going back again goes one further. */
export const undoPlan = (
  db: Db,
  { copyId, basedOn }: { copyId: string | null; basedOn: number },
  by: string,
): Promise<PlanResult> =>
  alone(db, async (tx): Promise<PlanResult> => {
    if (!(await isOpen(tx, copyId))) return { ok: false, code: 'no_such_copy' };
    /* What was taken back is no change: it is gone over, together with what it took back. */
    let [at, back] = [await versionAt(tx, copyId, basedOn), 1];
    while (at && back > 0) {
      back += at.why === 'undone' ? 1 : -1;
      at = at.number > 1 ? await versionAt(tx, copyId, at.number - 1) : null;
    }
    if (back > 0) return { ok: false, code: 'nothing_to_undo' };
    const { steps, pins } = at ?? { steps: [], pins: [] };
    return keep(tx, copyId, basedOn, { steps, pins, why: 'undone', by });
  });

/** Makes a copy of the plan to try something in, or changes what is tried in one. */
export const saveCopy = (
  db: Db,
  { id, name, levers }: z.infer<typeof copySchema>,
  by: string,
): Promise<PlanResult> =>
  alone(db, async (tx): Promise<PlanResult> => {
    const known = await openCopies(tx);
    if (known.some((c) => c.id === id)) {
      await saveLevers(tx, id, levers);
      return { ok: true, number: (await lastVersion(tx, id))?.number ?? 0 };
    }
    if (known.length >= 10) return { ok: false, code: 'too_many_copies' };
    await insertCopy(tx, { id, name, levers, by });
    const { steps, pins } = (await lastVersion(tx, null)) ?? { steps: [], pins: [] };
    return keep(tx, id, 0, { steps, pins, why: 'copied', by });
  });

/** The halves of a split batch go on under numbers of their own. */
const renamed = (levers: readonly Lever[], batch: string): string => {
  const split = levers.find((l) => l.kind === 'split' && halvesOf(l.batch).includes(batch));
  return split ? v5Id(batch) : batch;
};

/** A batch that was to be done in one place and no other is pinned there. */
const placedBy = (levers: readonly Lever[], steps: readonly PlacedStep[]): PinnedStep[] =>
  steps
    .filter((s) =>
      levers.some(
        (l) =>
          l.kind === 'place' && l.batch === s.batch && s.uses.some((u) => u.resource === l.placeId),
      ),
    )
    .map(({ batch, step }) => ({ batch, step }));

/** Ends a copy: dropped, or taken as the site's plan with all that was otherwise in it. */
export async function finishCopy(
  db: Db,
  { id, as, basedOn }: z.infer<typeof endCopySchema>,
  by: string,
): Promise<PlanResult> {
  const copy = (await openCopies(db)).find((c) => c.id === id);
  if (!copy) return { ok: false, code: 'no_such_copy' };
  const kept = await alone(db, async (tx): Promise<PlanResult> => {
    if (as === 'dropped') {
      await endCopy(tx, id, as);
      return { ok: true, number: basedOn };
    }
    const { steps, pins } = (await lastVersion(tx, id)) ?? { steps: [], pins: [] };
    const own = (batch: string) => renamed(copy.levers, batch);
    const done = await keep(tx, null, basedOn, {
      steps: steps.map((x) => ({ ...x, batch: own(x.batch) })),
      pins: [...pins, ...placedBy(copy.levers, steps)].map((x) => ({ ...x, batch: own(x.batch) })),
      why: 'taken',
      by,
    });
    if (done.ok) await endCopy(tx, id, as);
    return done;
  });
  if (!kept.ok || as === 'dropped') return kept;
  let whole = true;
  for (const lever of copy.levers) whole = (await takeLever(db, lever, by)) && whole;
  return whole ? kept : { ok: false, code: 'taken_in_part' };
}

export { agendaOf } from './agenda';
export { loadBoard } from './board';
export { calendarOf } from './calendar';
export { linkOf, listLinks } from './links';
export { listsOf } from './lists';
export { namesOf } from './names';
export { plannedSteps } from './repository';
export { openWishes } from './wishes';
