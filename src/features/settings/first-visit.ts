import type { z } from 'zod';
import type { firstLeadSchema } from '@/features/accounts/contract';
import { countPeople, addPerson } from '@/features/accounts/service';
import type { Db } from '@/platform/db/client';
import { limits } from '@/platform/limits';
import { holdLock } from '@/platform/locks';
import { isSetupCode } from '@/platform/setup-code';
import type { ActionResult } from '@/ui/action-result';
import { saveSite } from './repository';

const WEEKDAY = { from: '06:00', to: '18:00' };
const WEEK = { 1: WEEKDAY, 2: WEEKDAY, 3: WEEKDAY, 4: WEEKDAY, 5: WEEKDAY, 6: null, 7: null };

/**
 * Makes the site and its first release lead, all or nothing. On a site that is set up it answers at once; who has
 * not the code waits for no lock.
 */
export async function firstVisit(
  db: Db,
  { code, siteName, timeZone, unitSystem, ...lead }: z.infer<typeof firstLeadSchema>,
  address: string,
): Promise<ActionResult> {
  if ((await countPeople(db)) > 0) return { ok: false, code: 'not_allowed' };
  const tried = await limits().take('setup', address);
  if (!tried.ok) return { ok: false, code: 'too_many_tries' };
  if (!isSetupCode(code))
    return {
      ok: false,
      code: 'wrong_code',
      fields: { code: 'The start command printed another one' },
    };
  return db.transaction().execute(async (tx) => {
    await holdLock(tx, 'people');
    if ((await countPeople(tx)) > 0) return { ok: false, code: 'not_allowed' };
    const added = await addPerson(tx, { ...lead, role: 'release_lead' });
    if (!added.ok) return added;
    await saveSite(tx, {
      name: siteName,
      timeZone,
      unitSystem,
      locale: 'en-US',
      workingHours: WEEK,
    });
    return { ok: true, data: undefined };
  });
}
