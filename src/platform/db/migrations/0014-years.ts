import { sql, type Kysely } from 'kysely';

/* Of each channel and stretch: how many readings, the lowest, the highest, and their sum. They follow from the readings. */
const summary = (name: string) => sql`
  create table ${sql.table(name)} (
    channel_id int not null, at timestamptz not null, n int not null, low_c real not null, high_c real not null, sum_c float8 not null,
    primary key (channel_id, at)) with (fillfactor = 80)`;

const added = (name: string, every: string, from: string) => sql`
  insert into ${sql.table(name)} as s (channel_id, at, n, low_c, high_c, sum_c)
  select channel_id, date_bin(${sql.lit(every)}::interval, at, 'epoch'), count(*), min(temp_c), max(temp_c), sum(temp_c::float8)
  from ${sql.table(from)} group by 1, 2 order by 1, 2
  on conflict (channel_id, at) do update set n = s.n + excluded.n, low_c = least(s.low_c, excluded.low_c),
    high_c = greatest(s.high_c, excluded.high_c), sum_c = s.sum_c + excluded.sum_c`;

const SUMMARIES = [
  ['reading_minute', '1 minute'],
  ['reading_hour', '1 hour'],
] as const;

/** Years of readings: each minute and hour of a channel is summed as its readings come, late ones too. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const [name, every] of SUMMARIES) {
    await summary(name).execute(db);
    await added(name, every, 'reading').execute(db);
  }
  await sql`
    create index batch_closed on batch (started_at desc) where closed_at is not null;
    create index entry_by on entry (by_id);
    create index entry_of_kind on entry (kind, seq)`.execute(db);
  await sql`
    create function sum_readings() returns trigger language plpgsql security definer set search_path = public as $$
    begin
      ${added('reading_minute', '1 minute', 'added')};
      ${added('reading_hour', '1 hour', 'added')};
      return null;
    end $$`.execute(db);
  await sql`create trigger sum_readings after insert on reading referencing new table as added
    for each statement execute function sum_readings()`.execute(db);
}
