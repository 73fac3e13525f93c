import { sql } from 'kysely';
import type { Handle, Tx } from './db/client';

/** Advisory locks of the application, each with a number of its own. */
const LOCKS = {
  watch: 710_001,
  houses: 710_002,
  people: 710_003,
  readings: 710_004,
  tell: 710_005,
} as const;
export type Lock = keyof typeof LOCKS;

/** Waits for a lock and holds it to the end of the transaction. */
export const holdLock = async (tx: Tx, lock: Lock): Promise<void> => {
  await sql`select pg_advisory_xact_lock(${LOCKS[lock]})`.execute(tx);
};

/** Waits for those who hold a lock alone, and holds it together with others to the end of the transaction. */
export const shareLock = async (tx: Handle, lock: Lock): Promise<void> => {
  await sql`select pg_advisory_xact_lock_shared(${LOCKS[lock]})`.execute(tx);
};

/** Waits for one thing of a kind, such as a lot, and holds it to the end of the transaction. */
export const holdLockOn = async (tx: Tx, kind: string, id: string): Promise<void> => {
  await sql`select pg_advisory_xact_lock(hashtext(${kind}), hashtext(${id}))`.execute(tx);
};

/** Runs work on a connection that holds a lock, if nobody else has it. */
export async function withLock(held: Handle, lock: Lock, work: () => Promise<void>): Promise<void> {
  const { rows } = await sql<{
    ok: boolean;
  }>`select pg_try_advisory_lock(${LOCKS[lock]}) as ok`.execute(held);
  if (!rows[0]?.ok) return;
  try {
    await work();
  } finally {
    await sql`select pg_advisory_unlock(${LOCKS[lock]})`.execute(held);
  }
}
