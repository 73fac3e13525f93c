import { sql, type Kysely } from 'kysely';

/** One-time passwords that must be changed, and tries that all processes count together. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table "user" add column "mustChangePassword" boolean not null default false`.execute(
    db,
  );
  await sql`create table limit_state (key text primary key, points integer not null default 0, expire bigint)`.execute(
    db,
  );
}
