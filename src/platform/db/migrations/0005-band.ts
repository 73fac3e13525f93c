import { sql, type Kysely } from 'kysely';

/** How far the forecasts of a finished run were off, in their own bands: what the next bands are scaled by. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table forecast_score (
      batch_id uuid not null references batch (id), left_s float8 not null, house_id text not null references house (id),
      product_kind text not null, score float8 not null, made_at timestamptz not null default now(),
      primary key (batch_id, left_s));
    create index forecast_score_of_house on forecast_score (house_id, product_kind, made_at)`.execute(
    db,
  );
}
