import { sql, type Kysely } from 'kysely';

const TABLES = sql`
  create table instrument (
    id uuid primary key, name text not null, what text not null check (what in ('scale', 'ph_meter')),
    meter_id uuid references ph_meter (id), token_sha256 text not null unique, created_at timestamptz not null default now(),
    made_by_name text not null, revoked_at timestamptz, check ((what = 'ph_meter') = (meter_id is not null)));
  create unique index instrument_name on instrument (lower(name)) where revoked_at is null;
  create table instrument_shown (
    instrument_id uuid primary key references instrument (id) on delete cascade, value float8 not null, steady boolean not null,
    sample_c float8, shown_at timestamptz not null)`;

/** Scales and meters that say themselves what they show; of what they showed last one row each. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await TABLES.execute(db);
  await sql`create trigger note_change after insert or update or delete on instrument
    for each row execute function note_change('id', '')`.execute(db);
}
