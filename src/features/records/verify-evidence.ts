import { sql } from 'kysely';
import { inPieces, judge, slowSpans, type Check, type Series } from '@/core';
import { findBatch, loadDossier, partsOfHead, type WholeDossier } from '@/features/logbook/service';
import { hashOf } from '@/platform/hash';
import { nowS } from '@/platform/clock';
import type { Db } from '@/platform/db/client';

export type EvidenceVerification = {
  batches: number;
  /** Readings of all batches, and how many of them their judgements rest on. */
  readings: number;
  judged: number;
  problems: string[];
};

const DAY_S = 86_400;
const lengthOf = (s: Series) => Object.values(s).reduce((n, log) => n + log.length, 0);
const statusOf = (checks: readonly Check[]) => new Map(checks.map((k) => [k.code, k.status]));

/** Checks that pass on what is judged, and would not on every reading as it came. */
function passedOnLess(d: WholeDossier): string[] {
  const all = statusOf(judge({ ...d.case, series: d.originals }).checks);
  return d.verdict.checks
    .filter((k) => k.status === 'pass' && all.get(k.code) !== 'pass')
    .map((k) => `${k.code} ${all.get(k.code)}`);
}

function checkOne(d: WholeDossier, found: EvidenceVerification): void {
  const { code } = d.head;
  found.batches += 1;
  found.readings += lengthOf(d.originals);
  found.judged += lengthOf(d.case.series);
  const slow = slowSpans(d.case.state);
  const differs = Object.values(d.shown).some(
    (log) => hashOf(inPieces(log, slow, DAY_S)) !== hashOf(inPieces(log, slow, Infinity)),
  );
  if (differs)
    found.problems.push(`batch ${code}: read day by day it is another log than read at once`);
  for (const other of passedOnLess(d))
    found.problems.push(`batch ${code}: passes, but on every reading as it came: ${other}`);
}

/** The sums of each minute and hour are those of the readings. */
async function checkSums(db: Db, found: EvidenceVerification): Promise<void> {
  for (const [table, every] of [
    ['reading_minute', '1 minute'],
    ['reading_hour', '1 hour'],
  ] as const) {
    const { rows } = await sql<{ n: string }>`
      select count(*) as n from ${sql.table(table)} s full join (
        select channel_id, date_bin(${sql.lit(every)}::interval, at, 'epoch') as at, count(*)::int as n,
          min(temp_c) as low_c, max(temp_c) as high_c
        from reading group by 1, 2) r using (channel_id, at)
      where (s.n, s.low_c, s.high_c) is distinct from (r.n, r.low_c, r.high_c)`.execute(db);
    if (Number(rows[0]!.n) > 0)
      found.problems.push(`${table}: ${rows[0]!.n} say something else than the readings`);
  }
}

/**
 * Holds what every batch is judged on against its readings: taken in day by day it is the same as at once; nothing
 * passes on it that would not on every reading; and the sums of minutes and hours are right.
 */
export async function verifyEvidence(db: Db): Promise<EvidenceVerification> {
  const found: EvidenceVerification = { batches: 0, readings: 0, judged: 0, problems: [] };
  await checkSums(db, found);
  for (const { id } of await db.selectFrom('batch').select('id').execute()) {
    const head = await findBatch(db, id);
    for (const { id: ref } of head ? partsOfHead(head) : []) {
      const d = await loadDossier(db, ref, nowS());
      if (d) checkOne(d, found);
    }
  }
  return found;
}
