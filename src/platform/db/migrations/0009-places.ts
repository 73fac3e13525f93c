import { sql, type Kysely } from 'kysely';

/** Not every place is a house: baths, ovens, chambers, drying rooms, coolers and freezers have sensors and room as well. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table house add column kind text not null default 'house'
    check (kind in ('house', 'water_bath', 'oven', 'chamber', 'drying_room', 'cooler', 'freezer'))`.execute(
    db,
  );
}
