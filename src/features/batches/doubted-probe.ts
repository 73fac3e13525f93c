import { sql } from 'kysely';
import { v5Id } from '@/platform/ids';
import type { Db } from '@/platform/db/client';
import { notify } from '@/platform/events';
import { loadDossier, type Dossier } from './case';
import { refOf } from './ref';
import { appendEntries, lockHead } from './repository';
import { reopen } from './service';

/** Did a batch rest on this probe at any time after `sinceS`? */
const restedOn = (d: Dossier, channelId: number, sinceS: number) =>
  d.case.state.probes.some(
    (p) => p.channelId === channelId && p.what === 'core' && (p.toS ?? d.case.nowS) >= sinceS,
  );

/**
 * A probe was found wrong: every signed batch that rested on it since its last passed check is open again, on
 * hold, with the reason. Open batches need no entry: their verdict follows from the check itself.
 * @returns the codes of the batches that were opened
 */
export async function doubtBatchesOf(
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
    await db.transaction().execute(async (tx) => {
      await lockHead(tx);
      const d = await loadDossier(tx, ref, nowS);
      if (!d?.case.state.signature?.stands || !restedOn(d, channelId, sinceS)) return;
      const reason = `${probe} was found out of tolerance after the cook: what it showed is no evidence`;
      await appendEntries(
        tx,
        ref,
        [
          {
            id: v5Id(`${ref}:doubt:${channelId}:${nowS}`),
            happenedS: nowS,
            by: { id: 'system', name: 'Jolly Kettle' },
            corrects: null,
            body: { kind: 'held', source: 'rule', check: 'probe_evidence', reason },
          },
        ],
        nowS,
      );
      await reopen(tx, d);
      await notify(tx, { topic: 'batch', id: ref });
      opened.push(d.head.code);
    });
  }
  return opened;
}
