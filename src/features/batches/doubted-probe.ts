import { sql } from 'kysely';
import { checkCalibration, type CalibrationResult } from '@/core';
import { refOf } from '@/features/logbook/contract';
import {
  append,
  inLogbook,
  loadLooked,
  SYSTEM,
  type Looked,
  type NewEntry,
} from '@/features/logbook/service';
import {
  checkedS,
  lastPassedS,
  recordCalibration,
  type CalibrationInput,
  type Channel,
} from '@/features/readings/service';
import type { Db } from '@/platform/db/client';
import { v5Id } from '@/platform/ids';
import { reopen } from './parts-guard';

/** Did a batch rest on this probe at any time after `sinceS`? */
const restedOn = (d: Looked, channelId: number, sinceS: number) =>
  d.case.state.probes.some(
    (p) => p.channelId === channelId && p.what === 'core' && (p.toS ?? d.case.nowS) >= sinceS,
  );

/**
 * Records what a probe showed in ice water, and in boiling water; where it is found wrong, every signed batch that rested on
 * it since its last passed check is open again, on hold, with the reason. Open batches need no entry: their verdict follows
 * from the check itself. They are opened before the check is recorded, so that none stays signed where it breaks off in
 * between, and once more after it, for one that was signed meanwhile.
 * @returns the check, and the codes of the batches that were opened
 */
export async function probeChecked(
  db: Db,
  { id, name }: Pick<Channel, 'id' | 'name'>,
  input: CalibrationInput,
  byName: string,
  nowS: number,
): Promise<CalibrationResult & { opened: string[] }> {
  const { ok } = checkCalibration(input);
  const atS = checkedS(input.checkedAt, nowS);
  const sinceS = (await lastPassedS(db, id, atS)) ?? 0;
  const doubt = async () => (ok ? [] : doubtBatchesOf(db, id, name, sinceS, nowS));
  const opened = await doubt();
  const result = await recordCalibration(db, input, byName, nowS);
  return { ...result, opened: [...opened, ...(await doubt())] };
}

async function doubtBatchesOf(
  db: Db,
  channelId: number,
  probe: string,
  sinceS: number,
  nowS: number,
): Promise<string[]> {
  const rows = await sql<{ batchId: string; part: string | null }>`
    select distinct batch_id, body ->> 'part' as part from entry
    where kind = 'probe_placed' and (body ->> 'channelId')::int = ${channelId}`.execute(db);
  const opened: string[] = [];
  for (const row of rows.rows) {
    const ref = refOf(row.batchId, row.part);
    await inLogbook(db, async (tx) => {
      const d = await loadLooked(tx, ref, nowS);
      if (!d?.case.state.signature?.stands || !restedOn(d, channelId, sinceS)) return;
      const reason = `${probe} was found out of tolerance after the cook: what it showed is no evidence`;
      const entry: NewEntry = {
        id: v5Id(`${ref}:doubt:${channelId}:${nowS}`),
        happenedS: nowS,
        by: SYSTEM,
        corrects: null,
        body: { kind: 'held', source: 'rule', check: 'probe_evidence', reason },
      };
      await append(tx, [{ ref, entry }], { nowS, reopens: true });
      await reopen(tx, d.head);
      opened.push(d.head.code);
    });
  }
  return opened;
}
