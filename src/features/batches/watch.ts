import { holdsDue, holdsToLift } from '@/core';
import { loadOpenDossiers, type Dossier } from '@/features/logbook/service';
import { nowS } from '@/platform/clock';
import type { Db } from '@/platform/db/client';
import { withLock } from '@/platform/locks';
import { recordDueHolds } from './service';

/**
 * Looks at every open batch once and records the holds that time and readings have made due. When
 * several processes run, one at a time does it.
 * @returns the batches as they were looked at, for whoever looks further; none when another process looks
 */
export async function watchOnce(db: Db): Promise<Dossier[]> {
  let open: Dossier[] = [];
  await db.connection().execute((held) =>
    withLock(held, 'watch', async () => {
      open = await loadOpenDossiers(db, nowS(), 'watch');
    }),
  );
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
