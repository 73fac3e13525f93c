import { sql, type Kysely } from 'kysely';

/**
 * What a signature seals: a channel's readings of a batch's time. What arrives for it later is kept beside it. Batches
 * that are signed already are sealed by the probes of their record.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`
    create table seal (
      batch_id uuid not null references batch (id), channel_id int not null, from_at timestamptz not null, to_at timestamptz not null,
      primary key (batch_id, channel_id));
    create index seal_of_channel on seal (channel_id, to_at);
    create table late_reading (
      channel_id int not null, at timestamptz not null, temp_c real not null, arrived_at timestamptz not null default now(),
      primary key (channel_id, at))`.execute(db);
  await sql`
    insert into seal
    select b.id, c.channel_id, b.started_at, p.packed_at
    from batch b
    join lateral (
      select max(e.happened_at) as packed_at from entry e
      where e.batch_id = b.id and e.kind = 'step_done' and e.body ->> 'step' = 'pack') p on p.packed_at is not null
    join lateral (
      select distinct (e.body ->> 'channelId')::int as channel_id from entry e
      where e.batch_id = b.id and e.kind = 'probe_placed') c on true
    where b.closed_at is not null
      and exists (select 1 from entry e where e.batch_id = b.id and e.kind = 'signed')`.execute(db);
}
