import { sql, type Kysely } from 'kysely';

/** Machines of the bench: grinders with their plates, mixers, cutters, stuffers with their horns. One that is gone stays for the record. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`create table machine (
    id text primary key,
    name text not null,
    kind text not null check (kind in ('grinder', 'mixer', 'cutter', 'stuffer')),
    capacity_g double precision check (capacity_g > 0),
    dead_g double precision check (dead_g >= 0),
    plates_mm jsonb not null default '[]',
    horns_mm jsonb not null default '[]',
    note text not null default '',
    removed_at timestamptz)`.execute(db);
  await sql`create trigger note_change after insert or update or delete on machine
    for each row execute function note_change('id', '')`.execute(db);
}
