import { sql, type Kysely } from 'kysely';

const TABLES = sql`
  create table ledger (seq bigint primary key, at timestamptz not null, key_id text not null, facts text not null, mac text not null);
  create table ledger_head (id int primary key check (id = 1), seq bigint not null, at timestamptz not null, mac text not null);
  insert into ledger_head values (1, 0, 'epoch', repeat('0', 64));
  create table ledger_change (
    i bigint generated always as identity, xid xid8 not null default pg_current_xact_id(), tbl text not null, key text not null,
    digest text, n int, s1 numeric, s2 numeric);
  create index ledger_change_xid on ledger_change (xid)`;

/* As the check computes it in platform/ledger/present.ts: columns without a value are left out, so that a new one changes nothing. */
const DIGEST = sql`
  create function ledger_digest(fact jsonb) returns text immutable language sql as $$
    select encode(sha256(convert_to((select jsonb_object_agg(k, v) from jsonb_each(fact) as f (k, v) where v <> 'null')::text, 'UTF8')), 'hex') $$;
  create function ledger_key(fact jsonb, keys text[]) returns text immutable language sql as $$
    select string_agg(fact ->> k, '/' order by i) from unnest(keys) with ordinality as u (k, i) $$`;

const NOTE = sql`
  create function note_change() returns trigger language plpgsql security definer set search_path = public set timezone = 'UTC' as $$
  declare
    keys text[] := string_to_array(tg_argv[0], ',');
    skip text[] := string_to_array(tg_argv[1], ',');
    was jsonb := case when tg_op <> 'INSERT' then to_jsonb(old) - skip end;
    is_now jsonb := case when tg_op <> 'DELETE' then to_jsonb(new) - skip end;
  begin
    if was = is_now then return null; end if;
    if was is not null and (is_now is null or ledger_key(was, keys) <> ledger_key(is_now, keys)) then
      insert into ledger_change (tbl, key) values (tg_table_name, ledger_key(was, keys));
    end if;
    if is_now is not null then
      insert into ledger_change (tbl, key, digest) values (tg_table_name, ledger_key(is_now, keys), ledger_digest(is_now));
    end if;
    return null;
  end $$`;

/* Readings come by the thousand: of each statement and day the number and the sums of two halves of their digests. */
const NOTE_READINGS = sql`
  create function note_readings() returns trigger language plpgsql security definer set search_path = public set timezone = 'UTC' as $$
  begin
    insert into ledger_change (tbl, key, n, s1, s2)
    select 'reading', day, count(*), sum(('x' || substr(h, 1, 15))::bit(60)::bigint), sum(('x' || substr(h, 16, 15))::bit(60)::bigint)
    from (
      select to_char(at, 'YYYY-MM-DD') as day,
        encode(sha256(convert_to(channel_id || '|' || (extract(epoch from at) * 1000000)::bigint || '|' || temp_c, 'UTF8')), 'hex') as h
      from added) r
    group by day;
    return null;
  end $$;
  create trigger note_readings after insert on reading referencing new table as added for each statement execute function note_readings()`;

const FACTS: readonly [table: string, key: string, skip: string][] = [
  ['site', 'id', ''],
  ['rule', 'id', ''],
  ['site_rule', 'kind', ''],
  ['scale', 'id', ''],
  ['house', 'id', ''],
  ['house_fit', 'house_id,batch_id', ''],
  ['forecast_score', 'batch_id,left_s', ''],
  ['seal', 'batch_id,channel_id', ''],
  ['late_reading', 'channel_id,at', ''],
  ['program', 'id', ''],
  ['program_version', 'id', ''],
  ['calibration', 'id', ''],
  ['device', 'id', 'last_seen_at'],
  ['channel', 'id', ''],
  ['recipe', 'id', ''],
  ['recipe_version', 'id', ''],
  ['recipe_decision', 'id', ''],
  ['ingredient', 'id', ''],
  ['lot', 'id', ''],
  ['lot_move', 'id', ''],
  ['batch', 'id', ''],
  ['entry', 'id', ''],
  ['user', 'id', 'updatedAt'],
  ['account', 'id', 'updatedAt'],
];

/** A ledger of all facts: what each transaction changed, under a key that the database does not have. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const part of [TABLES, DIGEST, NOTE, NOTE_READINGS]) await part.execute(db);
  for (const [table, key, skip] of FACTS)
    await sql`create trigger note_change after insert or update or delete on ${sql.table(table)}
      for each row execute function note_change(${sql.lit(key)}, ${sql.lit(skip)})`.execute(db);
  await sql`create trigger append_only before update or delete on ledger for each row execute function refuse_change();
    create trigger never_emptied before truncate on ledger for each statement execute function refuse_change()`.execute(
    db,
  );
}
