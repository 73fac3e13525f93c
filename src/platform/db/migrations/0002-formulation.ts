import { sql, type Kysely } from 'kysely';

/* What was in use before versions were approved stays in use: each recipe's newest version is approved. */
const DECISIONS = sql`
  create table recipe_decision (
    id uuid primary key, seq bigint generated always as identity unique,
    version_id uuid not null references recipe_version (id), status text not null check (status in ('approved', 'retired')),
    reason text not null, decided_at timestamptz not null default now(), decided_by_name text not null);
  create index decision_of_version on recipe_decision (version_id, seq desc);
  insert into recipe_decision (id, version_id, status, reason, decided_by_name)
    select gen_random_uuid(), v.id, 'approved', 'In use before versions were approved', 'Jolly Kettle'
    from (select distinct on (recipe_id) id from recipe_version order by recipe_id, number desc) v`;

const STORES = sql`
  create table ingredient (
    id uuid primary key, name text not null, kind text not null check (kind in ('meat', 'cure', 'salt', 'addition')),
    facts jsonb not null, created_at timestamptz not null default now());
  create unique index ingredient_name on ingredient (lower(name));
  create table lot (
    id uuid primary key, ingredient_id uuid not null references ingredient (id), code text not null, supplier text not null,
    received_at timestamptz not null, received_temp_c float8, amount_g float8 not null check (amount_g > 0), cost_per_kg float8,
    use_by date, fat_fraction float8, nitrite_fraction float8, nitrate_fraction float8, owner text,
    recorded_at timestamptz not null default now(), recorded_by_name text not null, unique (ingredient_id, code));
  create table lot_move (
    id uuid primary key, lot_id uuid not null references lot (id), entry_id uuid references entry (id), change_g float8 not null,
    reason text not null, moved_at timestamptz not null default now(), by_name text not null);
  create index move_of_lot on lot_move (lot_id, moved_at);
  create index move_of_entry on lot_move (entry_id)`;

const HANGING = sql`
  alter table house add column sticks int check (sticks > 0), add column stick_mm float8 check (stick_mm > 0),
    add column drop_mm float8 check (drop_mm > 0), add column capacity_g float8 check (capacity_g > 0)`;

/** Approval of recipe versions, stores with lots, and the hanging room of a house. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const part of [DECISIONS, STORES, HANGING]) await part.execute(db);
  for (const table of ['recipe_decision', 'lot', 'lot_move']) {
    const name = sql.table(table);
    await sql`create trigger append_only before update or delete on ${name} for each row execute function refuse_change()`.execute(
      db,
    );
    await sql`create trigger never_emptied before truncate on ${name} for each statement execute function refuse_change()`.execute(
      db,
    );
  }
}
