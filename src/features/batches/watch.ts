import { sql } from 'kysely';
import { holdsDue } from '@/core';
import { nowS } from '@/platform/clock';
import type { Db } from '@/platform/db/client';
import { loadOpenDossiers } from './case';
import { recordDueHolds } from './service';

const WATCH_LOCK = 710_001;

/**
 * Looks at every open batch once and records the holds that time and readings have made due. When
 * several processes run, one at a time does it.
 */
export async function watchOnce(db: Db): Promise<void> {
  const due = await db.transaction().execute(async (tx) => {
    const lock = await sql<{
      ok: boolean;
    }>`select pg_try_advisory_xact_lock(${WATCH_LOCK}) as ok`.execute(tx);
    if (!lock.rows[0]?.ok) return [];
    const dossiers = await loadOpenDossiers(tx, nowS());
    return dossiers
      .filter((d) => holdsDue(d.case.state, d.verdict).length > 0)
      .map((d) => d.head.id);
  });
  for (const id of due) await recordDueHolds(db, id);
}
