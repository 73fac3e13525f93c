import { DateTime } from 'luxon';
import { halvesOf, type Lever } from '@/core';
import { changeRoster, loadSite } from '@/features/settings/service';
import { nowS, toDate } from '@/platform/clock';
import type { Db } from '@/platform/db/client';
import { v5Id } from '@/platform/ids';
import { PRIORITY_WEIGHT, type Priority, type WishInput } from './contract';
import { insertClosure } from './repository';
import { openWishes, removeWish, saveWish } from './wishes';

const iso = (s: number) => toDate(s).toISOString();

const priorityOf = (weight: number): Priority =>
  weight >= PRIORITY_WEIGHT[3] ? 3 : weight >= PRIORITY_WEIGHT[2] ? 2 : 1;

type OfWish = Exclude<Lever['kind'], 'overtime' | 'closed' | 'place'>;

/** Changes a wish as it was tried; false where it is none any more, or could not be changed. */
async function changeWish(
  db: Db,
  lever: Extract<Lever, { kind: OfWish }>,
  by: string,
): Promise<boolean> {
  const wish = (await openWishes(db)).find((w) => w.id === lever.batch);
  if (!wish) return false;
  const { readyByS, fromS, ...rest } = wish;
  const same: WishInput = {
    ...rest,
    readyBy: iso(readyByS),
    fromAt: fromS === null ? null : iso(fromS),
  };
  const save = async (more: Partial<WishInput>) =>
    (await saveWish(db, { ...same, ...more }, by)).ok;
  switch (lever.kind) {
    case 'without':
      return removeWish(db, wish.id);
    case 'early':
      return save({ fromAt: iso(nowS()) });
    case 'ready_by':
      return save({ readyBy: iso(lever.readyByS) });
    case 'weight':
      return save({ priority: priorityOf(lever.weight) });
    case 'split': {
      const halves = halvesOf(wish.id).map(v5Id);
      for (const id of halves) if (!(await save({ id, meatG: wish.meatG / 2 }))) return false;
      return removeWish(db, wish.id);
    }
  }
}

/** What was tried becomes so: hours in the roster, places shut, wishes changed. False where it could not. */
export async function takeLever(db: Db, lever: Lever, by: string): Promise<boolean> {
  switch (lever.kind) {
    case 'place':
      /* The plan itself has it, pinned. */
      return true;
    case 'closed': {
      const { placeId, startS, endS } = lever;
      const id = v5Id(`closed:${placeId}:${startS}:${endS}`);
      await insertClosure(db, { id, placeId, fromS: startS, toS: endS, why: 'As planned', by });
      return true;
    }
    case 'overtime': {
      const { timeZone } = await loadSite(db);
      const [from, to] = [lever.startS, lever.endS].map((s) =>
        DateTime.fromSeconds(s, { zone: timeZone }),
      );
      const extra = {
        personId: lever.personId,
        day: from!.toISODate()!,
        from: from!.toFormat('HH:mm'),
        to: to!.toFormat('HH:mm'),
      };
      return (await changeRoster(db, { change: 'add_extra', extra })).ok;
    }
    default:
      return changeWish(db, lever, by);
  }
}
