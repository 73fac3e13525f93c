import { sql } from 'kysely';
import type { Handle } from '../db/client';
import { anchorText, type Anchor } from './anchor';
import type { Fact } from './fact';
import { READINGS } from './facts';
import { macOf, START, type LedgerKey, type LedgerRow } from './keys';
import { daysNow, digestsNow, type DaySum, type Digests } from './present';

/** What the ledger says should be there. */
export type Told = {
  rows: number;
  head: { seq: number; mac: string };
  digests: Digests;
  days: Map<string, DaySum>;
  problems: string[];
};

const PAGE = 5000;

const rowsAfter = async (db: Handle, seq: number): Promise<LedgerRow[]> =>
  (
    await sql<{ seq: number; at: Date; keyId: string; facts: string; mac: string }>`
      select seq, at, key_id, facts, mac from ledger where seq > ${seq} order by seq limit ${PAGE}`.execute(
      db,
    )
  ).rows.map((r) => ({ ...r, seq: Number(r.seq), at: r.at.toISOString() }));

function apply(told: Told, facts: readonly Fact[]): void {
  for (const fact of facts) {
    if (fact.length === 4) {
      const [day, n, s1, s2] = fact;
      const sum = told.days.get(day) ?? { n: 0, s1: 0n, s2: 0n };
      told.days.set(day, { n: sum.n + n, s1: sum.s1 + BigInt(s1), s2: sum.s2 + BigInt(s2) });
      continue;
    }
    const [table, key, digest] = fact;
    const rows = told.digests.get(table) ?? new Map<string, string>();
    told.digests.set(table, rows);
    if (digest === null) rows.delete(key);
    else rows.set(key, digest);
  }
}

/** Whether a row follows from the one before it, under a key that may still write. @returns what is wrong, or null */
function faultOf(row: LedgerRow, prev: LedgerRow | typeof START, keys: LedgerKey[], from: number) {
  if (row.seq !== prev.seq + 1) return `rows ${prev.seq + 1} to ${row.seq - 1} are gone`;
  const index = keys.findIndex((k) => k.id === row.keyId);
  if (index < 0) return `row ${row.seq} was written under a key that this site does not have`;
  if (index < from) return `row ${row.seq} was written under a key that had been replaced`;
  if (macOf(keys[index]!, prev.mac, row) !== row.mac) return `row ${row.seq} was changed`;
  return row.at < prev.at ? `row ${row.seq} has a time before the row before it` : null;
}

/** Walks the ledger from its first row under the site's keys, and holds it against anchors. */
export async function walkLedger(
  db: Handle,
  keys: LedgerKey[],
  anchors: readonly Anchor[],
): Promise<Told> {
  const told: Told = {
    rows: 0,
    head: START,
    digests: new Map(),
    days: new Map(),
    problems: [],
  };
  const open = new Map<number, Anchor[]>();
  for (const a of anchors) open.set(a.seq, [...(open.get(a.seq) ?? []), a]);
  let prev: LedgerRow | typeof START = START;
  let keyIndex = 0;
  for (;;) {
    const page = await rowsAfter(db, prev.seq);
    if (page.length === 0) break;
    for (const row of page) {
      const fault = faultOf(row, prev, keys, keyIndex);
      if (fault) told.problems.push(`ledger: ${fault}`);
      keyIndex = Math.max(
        keyIndex,
        keys.findIndex((k) => k.id === row.keyId),
      );
      for (const a of open.get(row.seq) ?? [])
        if (!row.mac.startsWith(a.mac))
          told.problems.push(`ledger: row ${row.seq} is not the one of anchor ${anchorText(a)}`);
      apply(told, JSON.parse(row.facts) as Fact[]);
      prev = row;
      told.rows += 1;
    }
  }
  told.head = prev;
  const beyond = anchors.findLast((a) => a.seq > prev.seq);
  if (beyond)
    told.problems.push(
      `ledger: it was cut off: anchor ${anchorText(beyond)}${beyond.at ? ` of ${beyond.at}` : ''} lies beyond its end at ${prev.seq}`,
    );
  return told;
}

const named = (table: string, key: string) => `${table.replaceAll('_', ' ')} ${key}`;

/** Holds what the fact tables say now against what the ledger says of them. */
function compareRows(told: Digests, now: Digests, problems: string[]): void {
  for (const [table, rows] of now) {
    const expected = told.get(table) ?? new Map<string, string>();
    for (const [key, digest] of rows) {
      const was = expected.get(key);
      if (was === undefined)
        problems.push(`${named(table, key)} was not written by the application`);
      else if (was !== digest)
        problems.push(`${named(table, key)} says something else than when it was written`);
    }
    for (const key of expected.keys())
      if (!rows.has(key)) problems.push(`${named(table, key)} is gone`);
  }
}

function compareDays(
  told: Map<string, DaySum>,
  now: Map<string, DaySum>,
  problems: string[],
): void {
  for (const day of new Set([...told.keys(), ...now.keys()])) {
    const [was, is] = [told.get(day)?.n ?? 0, now.get(day)?.n ?? 0];
    if (was !== is)
      problems.push(`readings of ${day}: there are ${is}, the application wrote ${was}`);
    else if (told.get(day)!.s1 !== now.get(day)!.s1 || told.get(day)!.s2 !== now.get(day)!.s2)
      problems.push(
        `readings of ${day}: at least one says something else than when it was written`,
      );
  }
}

/**
 * Finds every change of a fact that the application did not make. To be asked in one repeatable-read transaction.
 * @param anchors points of the ledger that are kept elsewhere
 */
export async function checkLedger(
  db: Handle,
  keys: LedgerKey[],
  anchors: readonly Anchor[],
): Promise<Told> {
  const told = await walkLedger(db, keys, anchors);
  const { rows } = await sql<{ seq: number; mac: string }>`
    select seq, mac from ledger_head`.execute(db);
  const head = rows[0];
  if (!head || Number(head.seq) !== told.head.seq || head.mac !== told.head.mac)
    told.problems.push(
      `ledger: it should end with row ${head?.seq ?? '?'}, but ends with ${told.head.seq}`,
    );
  compareRows(told.digests, await digestsNow(db), told.problems);
  compareDays(told.days, await daysNow(db), told.problems);
  const left = await sql<{ tbl: string }>`select distinct tbl from ledger_change`.execute(db);
  for (const { tbl } of left.rows)
    told.problems.push(
      `${tbl === READINGS ? 'readings' : tbl.replaceAll('_', ' ')}: changed by something other than the application`,
    );
  return told;
}
