import { JUDGEMENT, type Verdict } from '@/core';
import { loadDossier } from '@/features/batches/case';
import { entryHash } from '@/features/batches/repository';
import { sealOf } from '@/features/batches/sign';
import { lateOf } from '@/features/readings/seals';
import type { Db } from '@/platform/db/client';
import { hashOf } from '@/platform/hash';
import { nowS } from '@/platform/clock';

export type Verification = {
  entries: number;
  signed: number;
  lastHash: string;
  problems: string[];
  /** No tampering: batches that an earlier judgement passed, and what today's makes of them. */
  notes: string[];
};

const PAGE = 1000;

/** Walks the chain from the first entry and says where an entry was changed, removed, added or moved. */
async function walkChain(db: Db, problems: string[]): Promise<{ count: number; last: string }> {
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
async function checkPins(db: Db, problems: string[]): Promise<void> {
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

/** The readings and verdict of every signed batch are those that were signed; each batch has its start. */
async function checkSeals(db: Db, problems: string[], notes: string[]): Promise<number> {
  const batches = await db.selectFrom('batch').select(['id', 'code']).execute();
  let signed = 0;
  for (const { id, code } of batches) {
    const dossier = await loadDossier(db, id, nowS());
    const start = dossier?.entries[0]?.body;
    if (!dossier || start?.kind !== 'batch_started') {
      problems.push(`batch ${code} has no start in the logbook`);
      continue;
    }
    if (start.recipeSha256 !== hashOf(dossier.head.recipe))
      problems.push(`batch ${code} no longer has the recipe it started with`);
    for (const pin of start.rules) {
      const rule = Object.values(dossier.case.rules).find((r) => r.id === pin.id);
      if (!rule || hashOf(rule.body) !== pin.sha256)
        problems.push(`batch ${code} no longer has the rule ${pin.id} it started with`);
    }
    const signature = dossier.case.state.signature;
    if (!signature?.stands) continue;
    signed += 1;
    const entry = dossier.entries.find((e) => e.id === signature.entryId);
    const seal = sealOf(dossier);
    if (entry?.body.kind !== 'signed') continue;
    const late = await lateOf(db, id);
    if (late)
      notes.push(
        `batch ${code}: ${late.count} readings came after it was signed and are kept beside it`,
      );
    if (entry.body.evidenceSha256 !== seal.evidenceSha256)
      problems.push(`the readings of signed batch ${code} were changed`);
    else if ((entry.body.judgement ?? 1) !== JUDGEMENT)
      notes.push(noteOf(code, entry.body.judgement ?? 1, dossier.verdict));
    else if (entry.body.verdictSha256 !== seal.verdictSha256)
      problems.push(`the verdict of signed batch ${code} is no longer the one that was signed`);
  }
  return signed;
}

/** Finds any tampering with the logbook, the pinned recipes and rules, and the evidence of signed batches. */
export async function verifyLogbook(db: Db): Promise<Verification> {
  const problems: string[] = [];
  const notes: string[] = [];
  const { count, last } = await walkChain(db, problems);
  const head = await db
    .selectFrom('logbookHead')
    .selectAll()
    .where('id', '=', 1)
    .executeTakeFirst();
  if (!head || head.seq !== count || head.hash !== last)
    problems.push(`the logbook should end with entry ${head?.seq ?? '?'}, but ends with ${count}`);
  await checkPins(db, problems);
  const signed = problems.length === 0 ? await checkSeals(db, problems, notes) : 0;
  return { entries: count, signed, lastHash: last, problems, notes };
}
