import { sql, type Kysely } from 'kysely';

const PROGRAMS = sql`
  create table program (id uuid primary key, name text not null, created_at timestamptz not null default now());
  create unique index program_name on program (lower(name));
  create table program_version (
    id uuid primary key, program_id uuid not null references program (id), number int not null, content jsonb not null,
    reason text not null, created_at timestamptz not null default now(), created_by_name text not null,
    unique (program_id, number))`;

const CALIBRATIONS = sql`
  create table calibration (
    id uuid primary key, channel_id int not null references channel (id), checked_at timestamptz not null,
    ice_c float8 not null, boil_c float8, altitude_m float8 not null, offset_c float8 not null,
    recorded_at timestamptz not null default now(), by_name text not null);
  create index calibration_of_channel on calibration (channel_id, checked_at)`;

/* A house learns: the film that each run's readings came to, and whether it acts on its own. */
const HOUSES = sql`
  alter table house add column auto_advance boolean not null default false;
  create table house_fit (
    house_id text not null references house (id), batch_id uuid not null references batch (id), film_factor float8 not null,
    core_readings int not null, fitted_at timestamptz not null default now(), primary key (house_id, batch_id));
  alter table channel drop constraint channel_what_check;
  alter table channel add constraint channel_what_check check (what in ('core', 'air', 'wet_bulb', 'cooler'))`;

/** Stage programs with versions, checks of probes, and what a house has learned. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const part of [PROGRAMS, CALIBRATIONS, HOUSES]) await part.execute(db);
  for (const table of ['program_version', 'calibration']) {
    const name = sql.table(table);
    await sql`create trigger append_only before update or delete on ${name} for each row execute function refuse_change()`.execute(
      db,
    );
    await sql`create trigger never_emptied before truncate on ${name} for each statement execute function refuse_change()`.execute(
      db,
    );
  }
}
