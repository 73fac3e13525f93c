import { sql, type Kysely } from 'kysely';

/** Planning many batches: who works when, what is wished, plans with their copies, places that are closed, calendars. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table site add column roster jsonb`.execute(db);
  await sql`
    create table wish (
      id uuid primary key, recipe_id uuid not null references recipe (id), meat_g float8 not null check (meat_g > 0),
      ready_by timestamptz not null, from_at timestamptz, for_whom text not null, priority smallint not null check (priority between 1 and 3),
      made_at timestamptz not null default now(), made_by_name text not null, removed_at timestamptz)`.execute(
    db,
  );
  await sql`
    create table plan_copy (
      id uuid primary key, name text not null, levers jsonb not null, made_at timestamptz not null default now(),
      made_by_name text not null, ended text check (ended in ('taken', 'dropped')), ended_at timestamptz)`.execute(
    db,
  );
  await sql`
    create table plan_version (
      id uuid primary key, copy_id uuid references plan_copy (id), number int not null check (number > 0), content jsonb not null,
      why text not null check (why in ('planned', 'moved', 'pinned', 'offered', 'undone', 'copied', 'taken')),
      made_at timestamptz not null default now(), made_by_name text not null,
      unique nulls not distinct (copy_id, number))`.execute(db);
  await sql`
    create table closure (
      id uuid primary key, place_id text not null, from_at timestamptz not null, to_at timestamptz not null, why text not null,
      made_at timestamptz not null default now(), made_by_name text not null, removed_at timestamptz, check (to_at > from_at))`.execute(
    db,
  );
  await sql`
    create table calendar_link (
      id uuid primary key, person_id text references "user" (id) on delete cascade, token_sha256 text not null unique,
      made_at timestamptz not null default now(), made_by_name text not null, revoked_at timestamptz)`.execute(
    db,
  );
}
