import { holdsDue, holdsToLift } from '@/core';
import { nowS } from '@/platform/clock';
import type { Db } from '@/platform/db/client';
import { tryLock } from '@/platform/locks';
import { loadOpenDossiers, type Dossier } from './case';
import { recordDueHolds } from './service';

/**
 * Looks at every open batch once and records the holds that time and readings have made due. When
 * several processes run, one at a time does it.
 * @returns the batches as they were looked at, for whoever looks further; none when another process looks
 */
export async function watchOnce(db: Db): Promise<Dossier[]> {
  const open = await db.transaction().execute(async (tx) => {
    if (!(await tryLock(tx, 'watch'))) return [];
    return loadOpenDossiers(tx, nowS(), 'watch');
  });
  for (const d of open)
    if (
      holdsDue(d.case.state, d.verdict).length > 0 ||
      holdsToLift(d.case.state, d.verdict).length > 0
    )
      await recordDueHolds(db, d.head.id).catch((error: Error) =>
        console.warn(`watch of batch ${d.head.code}: ${error.message}`),
      );
  return open;
}
