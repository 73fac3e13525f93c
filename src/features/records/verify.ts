import { JUDGEMENT, type EntryBody, type Verdict } from '@/core';
import {
  loadDossier,
  type Dossier,
  type WholeDossier,
  entryHash,
  loadEntries,
  findBatch,
  partsOfHead,
} from '@/features/logbook/service';
import { sealOf } from '@/features/batches/service';
import { lateOf } from '@/features/readings/service';
import type { Db, Handle } from '@/platform/db/client';
import { hashOf } from '@/platform/hash';
import { nowS } from '@/platform/clock';
import { anchorText, type Anchor } from '@/platform/ledger/anchor';
import { checkLedger } from '@/platform/ledger/check';
import { ledgerKeys, type LedgerKey } from '@/platform/ledger/keys';
import { readInUtc } from '@/platform/ledger/present';

export type Verification = {
  entries: number;
  signed: number;
  lastHash: string;
  /** The end of the ledger: what is written down elsewhere to prove later that nothing before it was changed. */
  anchor: string;
  problems: string[];
  /** No tampering: batches that an earlier judgement passed, and what today's makes of them. */
  notes: string[];
};

type Found = Pick<Verification, 'problems' | 'notes'>;
type Started = Extract<EntryBody, { kind: 'batch_started' }>;
type Signed = Extract<EntryBody, { kind: 'signed' }>;

const PAGE = 1000;

/** Walks the chain from the first entry and says where an entry was changed, removed, added or moved. */
async function walkChain(db: Handle, problems: string[]): Promise<{ count: number; last: string }> {
  let prev = '0'.repeat(64);
  let seq = 0;
  for (;;) {
    const rows = await db
      .selectFrom('entry')
      .selectAll()
      .where('seq', '>', seq)
      .orderBy('seq')
      .limit(PAGE)
      .execute();
    if (rows.length === 0) break;
    for (const r of rows) {
      if (r.seq !== seq + 1) problems.push(`entries ${seq + 1} to ${r.seq - 1} are gone`);
      if (r.prevHash !== prev) problems.push(`entry ${r.seq} does not follow the one before it`);
      const { id, batchId, happenedAt, recordedAt, byId, byName, corrects, body } = r;
      if (
        entryHash({
          prev: r.prevHash,
          id,
          batchId,
          seq: r.seq,
          happenedAt,
          recordedAt,
          byId,
          byName,
          corrects,
          body,
        }) !== r.hash ||
        r.kind !== body.kind
      ) {
        problems.push(`entry ${r.seq} says something else than when it was written`);
      }
      prev = r.hash;
      seq = r.seq;
    }
  }
  return { count: seq, last: prev };
}

/** Pinned content still hashes to what was pinned: recipe versions and rules. */
async function checkPins(db: Handle, problems: string[]): Promise<void> {
  for (const v of await db
    .selectFrom('recipeVersion')
    .select(['id', 'content', 'sha256'])
    .execute()) {
    if (hashOf(v.content) !== v.sha256) problems.push(`recipe version ${v.id} was changed`);
  }
  for (const r of await db.selectFrom('rule').select(['id', 'body', 'sha256']).execute()) {
    if (hashOf(r.body) !== r.sha256) problems.push(`rule ${r.id} was changed`);
  }
}

/** What is said of a batch whose verdict was given by an earlier judgement: its record and readings are sealed all the same. */
function noteOf(code: string, judgement: number, today: Verdict): string {
  const open = today.checks.filter((k) => k.status !== 'pass').map((k) => `${k.code} ${k.status}`);
  const now = open.length === 0 ? 'today’s agrees' : `today’s would ask: ${open.join(', ')}`;
  return `batch ${code} was signed under judgement ${judgement}; record and readings are unchanged; ${now}`;
}

/** The recipe and rules of a batch are those that it started with. */
function checkStart(code: string, start: Started, dossier: Dossier, problems: string[]): void {
  if (start.recipeSha256 !== hashOf(dossier.head.wholeRecipe))
    problems.push(`batch ${code} no longer has the recipe it started with`);
  for (const pin of start.rules) {
    const rule = Object.values(dossier.case.rules).find((r) => r.id === pin.id);
    if (!rule || hashOf(rule.body) !== pin.sha256)
      problems.push(`batch ${code} no longer has the rule ${pin.id} it started with`);
  }
}

/** The readings and verdict of a signed batch are those that were signed. */
function checkSeal(code: string, said: Signed, dossier: WholeDossier, found: Found): void {
  const seal = sealOf(dossier);
  const judgement = said.judgement ?? 1;
  if (said.evidenceSha256 !== seal.evidenceSha256)
    found.problems.push(`the readings of signed batch ${code} were changed`);
  else if (said.verdictSha256 === seal.verdictSha256) return;
  else if (judgement !== JUDGEMENT) found.notes.push(noteOf(code, judgement, dossier.verdict));
  else
    found.problems.push(`the verdict of signed batch ${code} is no longer the one that was signed`);
}

/** @returns whether the batch has a signature that stands */
async function checkBatch(
  db: Handle,
  { id, code }: { id: string; code: string },
  found: Found,
): Promise<boolean> {
  const start = (await loadEntries(db, id))[0]?.body;
  const dossier = start?.kind === 'batch_started' && (await loadDossier(db, id, nowS()));
  if (!dossier) {
    found.problems.push(`batch ${code} has no start in the logbook`);
    return false;
  }
  checkStart(code, start, dossier, found.problems);
  const { signature } = dossier.case.state;
  const said = dossier.entries.find((e) => e.id === signature?.entryId)?.body;
  if (!signature?.stands || said?.kind !== 'signed') return false;
  const late = await lateOf(db, dossier.head.batchId);
  if (late)
    found.notes.push(
      `batch ${code}: ${late.count} readings came after it was signed and are kept beside it`,
    );
  checkSeal(code, said, dossier, found);
  return true;
}

/** Each batch by itself: one that cannot be read is a finding and hides no other. */
async function checkBatches(db: Handle, found: Found): Promise<number> {
  let signed = 0;
  for (const batch of await db.selectFrom('batch').select(['id', 'code']).execute())
    try {
      const head = await findBatch(db, batch.id);
      /* The whole batter, then each of its parts. */
      const refs = head?.recipe.parts ? [head, ...partsOfHead(head)] : [batch];
      for (const { id, code } of refs) if (await checkBatch(db, { id, code }, found)) signed += 1;
    } catch (error) {
      const why = (error as Error).message.split('\n')[0];
      found.problems.push(`batch ${batch.code} cannot be read any more: ${why}`);
    }
  return signed;
}

/** Points of the ledger that were kept elsewhere: it still has to have them; and its keys, when not this process's own. */
type Against = { anchors?: readonly Anchor[]; keys?: LedgerKey[] };

/** The same within a transaction of the caller's. */
export async function verifyIn(
  db: Handle,
  { anchors = [], keys = ledgerKeys() }: Against = {},
): Promise<Verification> {
  const notes: string[] = [];
  await readInUtc(db);
  const ledger = await checkLedger(db, keys, anchors);
  const { problems } = ledger;
  const { count, last } = await walkChain(db, problems);
  const head = await db
    .selectFrom('logbookHead')
    .selectAll()
    .where('id', '=', 1)
    .executeTakeFirst();
  if (!head || head.seq !== count || head.hash !== last)
    problems.push(`the logbook should end with entry ${head?.seq ?? '?'}, but ends with ${count}`);
  await checkPins(db, problems);
  const signed = await checkBatches(db, { problems, notes });
  return {
    entries: count,
    signed,
    lastHash: last,
    anchor: anchorText(ledger.head),
    problems,
    notes,
  };
}

/**
 * Finds any tampering with the facts of the site, the logbook, the pinned recipes and rules, and the evidence of signed
 * batches, as of one moment.
 */
export const verifyLogbook = (db: Db, against: Against = {}): Promise<Verification> =>
  db
    .transaction()
    .setIsolationLevel('repeatable read')
    .setAccessMode('read only')
    .execute((tx) => verifyIn(tx, against));
