import { sql } from 'kysely';
import { FACTS, READINGS } from '../ledger/facts';
import type { Db } from './client';

const EVERYTHING = 'select, insert, update, delete';
const ADD = 'select, insert';

/** Tables that the application may do less with than read, add, change and remove. */
const LESS: Readonly<Record<string, string>> = {
  ...Object.fromEntries(FACTS.filter((t) => t.appendOnly).map((t) => [t.name, ADD])),
  [READINGS]: ADD,
  reading_minute: 'select',
  reading_hour: 'select',
  ledger: ADD,
  ledger_head: 'select, update',
  ledger_change: 'select, delete',
  kysely_migration: 'select',
  kysely_migration_lock: 'select',
};

/** Gives the application's role the rights that it needs on every table there is, and takes all others. */
export async function grantRights(owner: Db, role: string): Promise<void> {
  const { rows } = await sql<{ name: string }>`
    select tablename as name from pg_tables where schemaname = 'public'`.execute(owner);
  const to = sql.id(role);
  await owner.transaction().execute(async (tx) => {
    await sql`grant usage on schema public to ${to}`.execute(tx);
    for (const { name } of rows) {
      await sql`revoke all on ${sql.table(name)} from ${to}`.execute(tx);
      await sql`grant ${sql.raw(LESS[name] ?? EVERYTHING)} on ${sql.table(name)} to ${to}`.execute(
        tx,
      );
    }
  });
}

/** Whether a connection's role could undo what the tables forbid: it is a superuser or owns the logbook. */
export async function isTooMighty(db: Db): Promise<boolean> {
  const { rows } = await sql<{ mighty: boolean }>`
    select r.rolsuper or pg_has_role(c.relowner, 'member') as mighty
    from pg_roles r, pg_class c where r.rolname = current_user and c.oid = 'entry'::regclass`.execute(
    db,
  );
  return rows[0]?.mighty === true;
}
