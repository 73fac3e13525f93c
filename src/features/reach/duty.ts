import { DateTime } from 'luxon';
import { onDuty, type Duty, type DutyPerson } from '@/core';
import { listWorkers } from '@/features/accounts/service';
import type { Db, Handle } from '@/platform/db/client';

/** Before a site has said otherwise: nobody; what asks for somebody soon; ten minutes to answer. */
const NOBODY: Duty = { people: [], everyMin: 10, rank: 2 };

export async function loadDuty(db: Handle): Promise<Duty> {
  const row = await db.selectFrom('site').select('duty').executeTakeFirst();
  return row?.duty ?? NOBODY;
}

/** Keeps the list. False where somebody on it does not work here, or is on it twice. */
export async function saveDuty(db: Db, duty: Duty): Promise<boolean> {
  const known = new Set((await listWorkers(db)).map((p) => p.id));
  const named = duty.people.map((p) => p.personId);
  if (new Set(named).size < named.length || named.some((id) => !known.has(id))) return false;
  await db
    .updateTable('site')
    .set({ duty: JSON.stringify(duty) })
    .execute();
  return true;
}

export type OnDuty = DutyPerson & { name: string };

/** Who is on duty now, in order; who left since is not. */
export async function onDutyNow(db: Handle, duty: Duty, nowS: number): Promise<OnDuty[]> {
  const site = await db.selectFrom('site').select('timeZone').executeTakeFirst();
  const now = DateTime.fromSeconds(nowS, { zone: site?.timeZone ?? 'UTC' }).toFormat('HH:mm');
  const people = await listWorkers(db);
  return onDuty(duty.people, now).flatMap((p): OnDuty[] => {
    const known = people.find((x) => x.id === p.personId);
    return known ? [{ ...p, name: known.name }] : [];
  });
}
