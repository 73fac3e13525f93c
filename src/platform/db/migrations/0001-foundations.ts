import { sql, type Kysely } from 'kysely';

const ACCOUNTS = sql`
  create table "user" (
    "id" text primary key, "name" text not null, "email" text not null unique, "emailVerified" boolean not null default false,
    "image" text, "createdAt" timestamptz not null default now(), "updatedAt" timestamptz not null default now(),
    "role" text, "banned" boolean default false, "banReason" text, "banExpires" timestamptz);
  create table "session" (
    "id" text primary key, "expiresAt" timestamptz not null, "token" text not null unique,
    "createdAt" timestamptz not null default now(), "updatedAt" timestamptz not null default now(),
    "ipAddress" text, "userAgent" text, "userId" text not null references "user" ("id") on delete cascade, "impersonatedBy" text);
  create index "session_userId_idx" on "session" ("userId");
  create table "account" (
    "id" text primary key, "accountId" text not null, "providerId" text not null,
    "userId" text not null references "user" ("id") on delete cascade,
    "accessToken" text, "refreshToken" text, "idToken" text, "accessTokenExpiresAt" timestamptz,
    "refreshTokenExpiresAt" timestamptz, "scope" text, "password" text,
    "createdAt" timestamptz not null default now(), "updatedAt" timestamptz not null default now());
  create index "account_userId_idx" on "account" ("userId");
  create table "verification" (
    "id" text primary key, "identifier" text not null, "value" text not null, "expiresAt" timestamptz not null,
    "createdAt" timestamptz not null default now(), "updatedAt" timestamptz not null default now());
  create index "verification_identifier_idx" on "verification" ("identifier")`;

const SITE = sql`
  create table site (
    id int primary key default 1 check (id = 1), name text not null, time_zone text not null, locale text not null,
    unit_system text not null check (unit_system in ('metric', 'us')), working_hours jsonb not null);
  create table rule (
    id text primary key, code text not null, version int not null, kind text not null, title text not null,
    source text not null check (length(source) > 0), body jsonb not null, sha256 text not null,
    created_at timestamptz not null default now(), created_by_name text not null, unique (code, version));
  create table site_rule (
    kind text primary key, rule_id text not null references rule (id), confirmed_at timestamptz, confirmed_by_name text);
  create table scale (
    id text primary key, name text not null, capacity_g float8 not null check (capacity_g > 0),
    resolution_g float8 not null check (resolution_g > 0));
  create table house (id text primary key, name text not null);
  create table device (
    id uuid primary key, name text not null, house_id text not null references house (id), token_sha256 text not null unique,
    created_at timestamptz not null default now(), revoked_at timestamptz, last_seen_at timestamptz)`;

const BATCHES = sql`
  create table recipe (id uuid primary key, name text not null unique, created_at timestamptz not null default now());
  create table recipe_version (
    id uuid primary key, recipe_id uuid not null references recipe (id), number int not null, content jsonb not null,
    sha256 text not null, reason text not null, created_at timestamptz not null default now(), created_by_name text not null,
    unique (recipe_id, number));
  create table batch (
    id uuid primary key, code text not null unique, recipe_version_id uuid not null references recipe_version (id),
    started_at timestamptz not null, closed_at timestamptz, created_at timestamptz not null default now());
  create index batch_open on batch (started_at) where closed_at is null;
  create index batch_started on batch (started_at desc);
  create table entry (
    id uuid primary key, batch_id uuid not null references batch (id), seq bigint not null unique, kind text not null,
    happened_at timestamptz not null, recorded_at timestamptz not null, by_id text not null, by_name text not null,
    corrects uuid references entry (id), body jsonb not null, prev_hash text not null, hash text not null unique);
  create index entry_of_batch on entry (batch_id, seq);
  create table logbook_head (id int primary key check (id = 1), seq bigint not null, hash text not null);
  insert into logbook_head values (1, 0, repeat('0', 64))`;

/* A reading's channel is looked up by the service; a foreign key would cost a look-up a row at 10,000 rows a request. */
const READINGS = sql`
  create table channel (
    id int generated always as identity primary key, house_id text references house (id), batch_id uuid references batch (id),
    key text not null, name text not null, what text not null check (what in ('core', 'air', 'cooler')),
    check ((house_id is null) <> (batch_id is null)));
  create unique index channel_of_house on channel (house_id, key) where house_id is not null;
  create unique index channel_of_batch on channel (batch_id, key) where batch_id is not null;
  create table reading (
    channel_id int not null, at timestamptz not null, temp_c real not null, primary key (channel_id, at))`;

const APPEND_ONLY = sql`
  create function refuse_change() returns trigger language plpgsql as $$
  begin raise exception '% is append-only: correct it with a new row', tg_table_name using errcode = 'restrict_violation'; end $$`;

/** The first schema: accounts, site, rules, recipes, batches with their logbook, readings. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const part of [ACCOUNTS, SITE, BATCHES, READINGS, APPEND_ONLY]) await part.execute(db);
  for (const table of ['entry', 'reading', 'recipe_version', 'rule']) {
    const name = sql.table(table);
    await sql`create trigger append_only before update or delete on ${name} for each row execute function refuse_change()`.execute(
      db,
    );
    await sql`create trigger never_emptied before truncate on ${name} for each statement execute function refuse_change()`.execute(
      db,
    );
  }
}
