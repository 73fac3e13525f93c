import { sql, type Kysely } from 'kysely';

/* pH meters and what they showed in their buffers; what the ferments of a culture taught, from one starting course each. */
const TABLES = sql`
  create table ph_meter (
    id uuid primary key, name text not null, made_at timestamptz not null default now(), made_by_name text not null, retired_at timestamptz);
  create unique index ph_meter_name on ph_meter (lower(name)) where retired_at is null;
  create table ph_meter_check (
    id uuid primary key, meter_id uuid not null references ph_meter (id), checked_at timestamptz not null,
    middle text not null check (middle in ('7.00', '6.86')), shown_middle float8 not null, shown_sour float8 not null,
    buffer_c float8 not null, slope float8 not null, offset_ph float8 not null, middle_ph float8 not null, ok boolean not null,
    recorded_at timestamptz not null default now(), by_name text not null);
  create index ph_meter_check_of on ph_meter_check (meter_id, checked_at);
  create table culture_fit (
    ingredient_id uuid not null references ingredient (id) on delete cascade, batch_id uuid not null references batch (id),
    course text not null, fit jsonb not null, from_at timestamptz not null, to_ph float8 not null, took_s float8 not null, air_c float8 not null,
    fitted_at timestamptz not null default now(), primary key (ingredient_id, batch_id, course))`;

const FACTS = [
  ['ph_meter', 'id'],
  ['ph_meter_check', 'id'],
] as const;

/** Meters as instruments with their checks, and what a site has seen of its cultures. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await TABLES.execute(db);
  for (const [table, key] of FACTS)
    await sql`create trigger note_change after insert or update or delete on ${sql.table(table)}
      for each row execute function note_change(${sql.lit(key)}, '')`.execute(db);
  await sql`
    create trigger append_only before update or delete on ph_meter_check for each row execute function refuse_change();
    create trigger never_emptied before truncate on ph_meter_check for each statement execute function refuse_change()`.execute(
    db,
  );
}
