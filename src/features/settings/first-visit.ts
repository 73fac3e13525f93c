import { sql } from 'kysely';
import type { Db } from '@/platform/db/client';

const FIRST_VISIT_LOCK = 710_002;

/** Lets one first visit at a time through, on however many machines. */
export const lockFirstVisit = <T>(db: Db, work: () => Promise<T>): Promise<T> =>
  db.transaction().execute(async (tx) => {
    await sql`select pg_advisory_xact_lock(${FIRST_VISIT_LOCK})`.execute(tx);
    return work();
  });
