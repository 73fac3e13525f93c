import { sql, type Kysely } from 'kysely';

/** Who is told of alarms away from the page, in what order, and on which devices; the weather that a run taught in. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table site add column duty jsonb`.execute(db);
  await sql`alter table house_fit add column wind text check (wind in ('calm', 'breeze', 'strong')),
    add column outside_c float8`.execute(db);
  await sql`
    create table push_device (
      id uuid primary key, person_id text not null references "user" (id) on delete cascade, endpoint text not null unique,
      p256dh text not null, auth text not null, created_at timestamptz not null default now())`.execute(
    db,
  );
  await sql`create index device_of_person on push_device (person_id)`.execute(db);
}
