import { sql } from 'kysely';
import type { Db, Handle } from '../db/client';
import { walkLedger } from './check';
import type { Fact } from './fact';
import { ledgerKeys } from './keys';
import { daysNow, digestsNow, readInUtc, type Digests } from './present';
import { appendRow, askOf } from './seal';

/** Facts in one row of the ledger when many are written at once. */
const AT_ONCE = 500;

/** What stood in the tables before the schema changed, and which of it agreed with the ledger. */
export type Before = { now: Digests; told: Digests };

/** Looks before a migration; null when there is no ledger yet. */
export async function beforeMigration(db: Db): Promise<Before | null> {
  const { rows } = await sql<{ there: boolean }>`
    select to_regclass('public.ledger') is not null as there`.execute(db);
  if (!rows[0]!.there) return null;
  return db.transaction().execute(async (tx) => {
    await readInUtc(tx);
    const { digests } = await walkLedger(tx, ledgerKeys(), []);
    return { now: await digestsNow(tx), told: digests };
  });
}

async function append(tx: Handle, facts: readonly Fact[]): Promise<void> {
  for (let i = 0; i < facts.length; i += AT_ONCE)
    await appendRow(askOf(tx), facts.slice(i, i + AT_ONCE));
}

/** Everything that is there, for a ledger that begins. */
async function everything(tx: Handle): Promise<Fact[]> {
  const rows = [...(await digestsNow(tx))].flatMap(([table, of]) =>
    [...of].map(([key, digest]): Fact => [table, key, digest]),
  );
  const days = [...(await daysNow(tx))].map(([day, d]): Fact => [day, d.n, `${d.s1}`, `${d.s2}`]);
  return [...rows, ...days];
}

/** What a migration changed: rows that agreed with the ledger before it and say something else now, and new ones. */
async function changedBy(tx: Handle, { now, told }: Before): Promise<Fact[]> {
  const facts: Fact[] = [];
  for (const [table, rows] of await digestsNow(tx)) {
    const [was, known] = [now.get(table), told.get(table)];
    for (const [key, digest] of rows)
      if (was?.get(key) === known?.get(key) && was?.get(key) !== digest)
        facts.push([table, key, digest]);
    for (const [key, digest] of was ?? [])
      if (!rows.has(key) && known?.get(key) === digest) facts.push([table, key, null]);
  }
  return facts;
}

/**
 * Writes into the ledger what a migration did: all that is there when the ledger begins with it, else what it changed.
 * What did not agree with the ledger before the migration stays a finding.
 */
export const afterMigration = (db: Db, before: Before | null): Promise<void> =>
  db.transaction().execute(async (tx) => {
    await readInUtc(tx);
    await append(tx, before === null ? await everything(tx) : await changedBy(tx, before));
    await sql`delete from ledger_change`.execute(tx);
  });
