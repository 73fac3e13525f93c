import { sql, type Kysely } from 'kysely';

/** A check that found a probe wrong is kept as such: it counts against what was read since the one before it. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table calibration add column ok boolean not null default true`.execute(db);
}
