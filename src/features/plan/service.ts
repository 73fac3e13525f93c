import { randomUUID } from 'node:crypto';
import { halvesOf, type Lever, type PinnedStep, type PlacedStep } from '@/core';
import type { z } from 'zod';
import { changeRoster, loadSite } from '@/features/settings/service';
import { nowS } from '@/platform/clock';
import { sql } from 'kysely';
import { DateTime } from 'luxon';
import type { Db, Tx } from '@/platform/db/client';
import { v5Id } from '@/platform/ids';
import type { PlanContent, PlanWhy } from '@/platform/db/tables-plan';
import {
  PRIORITY_WEIGHT,
  type copySchema,
  type endCopySchema,
  type Priority,
  type SavePlan,
} from './contract';
import {
  endCopy,
  insertClosure,
  insertCopy,
  insertVersion,
  lastVersion,
  openCopies,
  saveLevers,
  versionAt,
} from './repository';
import { openWishes, removeWish, saveWish } from './wishes';

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

const priorityOf = (weight: number): Priority =>
  weight >= PRIORITY_WEIGHT[3] ? 3 : weight >= PRIORITY_WEIGHT[2] ? 2 : 1;

/** What was tried becomes so: hours in the roster, places shut, wishes changed. */
async function really(db: Db, lever: Lever, by: string): Promise<void> {
  const iso = (s: number) => new Date(s * 1000).toISOString();
  if (lever.kind === 'overtime') {
    const { timeZone } = await loadSite(db);
    const at = (s: number) => DateTime.fromSeconds(s, { zone: timeZone });
    await changeRoster(db, {
      change: 'add_extra',
      extra: {
        personId: lever.personId,
        day: at(lever.startS).toISODate()!,
        from: at(lever.startS).toFormat('HH:mm'),
        to: at(lever.endS).toFormat('HH:mm'),
      },
    });
  } else if (lever.kind === 'closed') {
    const { placeId, startS, endS } = lever;
    const id = v5Id(`closed:${placeId}:${startS}:${endS}`);
    await insertClosure(db, { id, placeId, fromS: startS, toS: endS, why: 'As planned', by });
  } else if (lever.kind !== 'place') {
    const wish = (await openWishes(db)).find((w) => w.id === lever.batch);
    if (!wish) return;
    const { id, recipeId, meatG, forWhom, priority } = wish;
    const same = {
      id,
      recipeId,
      meatG,
      forWhom,
      priority,
      readyBy: iso(wish.readyByS),
      fromAt: wish.fromS === null ? null : iso(wish.fromS),
    };
    if (lever.kind === 'without') await removeWish(db, id);
    if (lever.kind === 'early') await saveWish(db, { ...same, fromAt: iso(nowS()) }, by);
    if (lever.kind === 'ready_by')
      await saveWish(db, { ...same, readyBy: iso(lever.readyByS) }, by);
    if (lever.kind === 'weight')
      await saveWish(db, { ...same, priority: priorityOf(lever.weight) }, by);
    if (lever.kind === 'split') {
      await removeWish(db, id);
      for (const part of halvesOf(id))
        await saveWish(db, { ...same, id: v5Id(part), meatG: meatG / 2 }, by);
    }
  }
}

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
  if (kept.ok && as === 'taken') for (const lever of copy.levers) await really(db, lever, by);
  return kept;
}

export { agendaOf } from './agenda';
export { loadBoard } from './board';
export { calendarOf } from './calendar';
export { linkOf, listLinks } from './links';
export { listsOf } from './lists';
export { namesOf } from './names';
export { plannedSteps } from './repository';
export { openWishes } from './wishes';
