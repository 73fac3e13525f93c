import { CompiledQuery } from 'kysely';
import { factsOf, type Change, type Fact } from './fact';
import { ledgerKeys, macOf } from './keys';

/** Runs one statement on the connection of the transaction that ends. */
export type Ask = <R>(text: string, values?: readonly unknown[]) => Promise<R[]>;

type Runner = { executeQuery: (query: CompiledQuery) => Promise<{ rows: unknown[] }> };

/** Statements on whatever runs queries: a connection, or a handle inside a transaction. */
export const askOf =
  (runner: Runner): Ask =>
  async <R>(text: string, values: readonly unknown[] = []) =>
    (await runner.executeQuery(CompiledQuery.raw(text, [...values]))).rows as R[];

/* bigint sums come as text: the parser of the pool reads int8 as numbers, numeric as text. */
const CHANGES = `select tbl, key, digest, n, s1, s2 from ledger_change
  where xid = pg_current_xact_id_if_assigned() order by i`;

const APPEND = `with done as (delete from ledger_change where xid = pg_current_xact_id()),
  head as (update ledger_head set seq = $1, mac = $5, at = $2 where id = 1)
  insert into ledger (seq, at, key_id, facts, mac) values ($1, $2, $3, $4, $5)`;

/** Writes one row behind the last one, under the newest key; never with a time before the last row's. */
export async function appendRow(ask: Ask, facts: readonly Fact[]): Promise<void> {
  const key = ledgerKeys().at(-1)!;
  const [head] = await ask<{ seq: number; mac: string; at: Date }>(
    'select seq, mac, at from ledger_head where id = 1 for update',
  );
  const at = new Date(Math.max(Date.now(), head!.at.getTime())).toISOString();
  const row = { seq: Number(head!.seq) + 1, at, facts: JSON.stringify(facts) };
  await ask(APPEND, [row.seq, at, key.id, row.facts, macOf(key, head!.mac, row)]);
}

/** At the end of a transaction: what it changed becomes a row of the ledger, or nothing does when it changed no fact. */
export async function sealTransaction(ask: Ask): Promise<void> {
  const changes = await ask<Change>(CHANGES);
  if (changes.length > 0) await appendRow(ask, factsOf(changes));
}
