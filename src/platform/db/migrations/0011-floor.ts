import { sql, type Kysely } from 'kysely';

/* What hangs in a place and how it is kept; where a sensor of it hangs. */
const PLACES = sql`
  alter table house add column layout jsonb, add column care jsonb;
  alter table channel add column level int check (level > 0), add column depth text check (depth in ('front', 'middle', 'back'))`;

const CASINGS = sql`
  create table casing_kind (
    id uuid primary key, name text not null, facts jsonb not null, created_at timestamptz not null default now(),
    created_by_name text not null, removed_at timestamptz);
  create unique index casing_kind_name on casing_kind (lower(name)) where removed_at is null;
  create table casing_lot (
    id uuid primary key, kind text, kind_id uuid references casing_kind (id), code text not null, supplier text not null,
    form text not null check (form in ('strand', 'stick', 'metre', 'piece')), count float8 not null check (count > 0),
    each_m float8 not null check (each_m > 0), diameter_mm float8 not null check (diameter_mm > 0),
    received_at timestamptz not null, use_by date, recorded_at timestamptz not null default now(), recorded_by_name text not null,
    check ((kind is null) <> (kind_id is null)));
  create table casing_move (
    id uuid primary key, lot_id uuid not null references casing_lot (id), entry_id uuid references entry (id),
    change_m float8 not null, what text not null check (what in ('used', 'back', 'opened', 'resalted', 'counted')),
    reason text not null, moved_at timestamptz not null default now(), by_name text not null);
  create index move_of_casing on casing_move (lot_id, moved_at);
  create index casing_move_of_entry on casing_move (entry_id)`;

/* What is cleaned, how often and for how long; and each time that somebody did it. */
const CLEANING = sql`
  create table cleaning_task (
    id uuid primary key, name text not null, minutes int not null check (minutes > 0), every_days int check (every_days > 0),
    needs_cold boolean not null default false, removed_at timestamptz);
  create table cleaning_done (
    id uuid primary key, task_id uuid not null references cleaning_task (id), name text not null, note text not null default '',
    done_at timestamptz not null, recorded_at timestamptz not null default now(), by_id text not null, by_name text not null);
  create index cleaning_of_task on cleaning_done (task_id, done_at desc)`;

/** From casings to the cleaning list: stock, places with their geometry and care, and a record of what was cleaned. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const part of [PLACES, CASINGS, CLEANING]) await part.execute(db);
  for (const table of [
    'casing_kind',
    'casing_lot',
    'casing_move',
    'cleaning_task',
    'cleaning_done',
  ])
    await sql`create trigger note_change after insert or update or delete on ${sql.table(table)}
      for each row execute function note_change('id', '')`.execute(db);
  for (const table of ['casing_lot', 'casing_move', 'cleaning_done']) {
    const name = sql.table(table);
    await sql`create trigger append_only before update or delete on ${name} for each row execute function refuse_change();
      create trigger never_emptied before truncate on ${name} for each statement execute function refuse_change()`.execute(
      db,
    );
  }
}
