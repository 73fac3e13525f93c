import { isDeepStrictEqual } from 'node:util';
import type { Roster } from '@/core';
import { listWorkers } from '@/features/accounts/service';
import type { Db } from '@/platform/db/client';
import type { RosterChange } from './contract';
import { ANYBODY } from './hours';
import { loadSite, saveRoster } from './repository';

const EMPTY: Roster = { shifts: [], off: [], extra: [] };
/** More than this in one list is no roster of a smokehouse. */
const MOST = 200;

const without = <T>(list: T[], one: T): T[] => list.filter((x) => !isDeepStrictEqual(x, one));

function changed(roster: Roster, c: RosterChange): Roster {
  switch (c.change) {
    case 'add_shift':
      return { ...roster, shifts: [...without(roster.shifts, c.shift), c.shift] };
    case 'remove_shift':
      return { ...roster, shifts: without(roster.shifts, c.shift) };
    case 'add_off':
      return { ...roster, off: [...without(roster.off, c.off), c.off] };
    case 'remove_off':
      return { ...roster, off: without(roster.off, c.off) };
    case 'add_extra':
      return { ...roster, extra: [...without(roster.extra, c.extra), c.extra] };
    case 'remove_extra':
      return { ...roster, extra: without(roster.extra, c.extra) };
  }
}

const whoIn = (c: RosterChange): string | null => {
  if (c.change === 'add_shift') return c.shift.personId;
  if (c.change === 'add_off') return c.off.personId;
  return c.change === 'add_extra' ? c.extra.personId : null;
};

export type RosterResult = { ok: true } | { ok: false; code: 'no_such_person' | 'too_many' };

/** Changes who works when, one thing at a time; without shifts the working hours count again, and whoever stays on has no name. */
export async function changeRoster(db: Db, change: RosterChange): Promise<RosterResult> {
  const who = whoIn(change);
  const isKnown = who === null || who === ANYBODY;
  if (!isKnown && !(await listWorkers(db)).some((p) => p.id === who))
    return { ok: false, code: 'no_such_person' };
  return db.transaction().execute(async (tx): Promise<RosterResult> => {
    await tx.selectFrom('site').select('id').forUpdate().execute();
    const next = changed((await loadSite(tx)).roster ?? EMPTY, change);
    if (Object.values(next).some((list) => list.length > MOST))
      return { ok: false, code: 'too_many' };
    const empty = next.shifts.length === 0 && next.extra.length === 0 && next.off.length === 0;
    await saveRoster(tx, empty ? null : next);
    return { ok: true };
  });
}
