import type { Person } from '@/features/accounts/identify';
import { admitLate, lateOf } from '@/features/readings/seals';
import { nowS as clock } from '@/platform/clock';
import type { Db } from '@/platform/db/client';
import { v5Id } from '@/platform/ids';
import { closeRef, loadDossier } from './case';
import { appendEntries, lockHead } from './repository';
import { tell } from './service';

type Taken = { ok: true; data: { count: number } } | { ok: false; code: string };

/**
 * A release lead takes the readings that came after the signature into the record: the signature no longer stands,
 * and the batch is on hold until somebody has looked at it again.
 */
export const takeLate = (db: Db, person: Person, batchId: string, reason: string): Promise<Taken> =>
  db.transaction().execute(async (tx) => {
    await lockHead(tx);
    const now = clock();
    const dossier = await loadDossier(tx, batchId, now);
    const late = dossier?.case.state.signature?.stands
      ? await lateOf(tx, dossier.head.batchId)
      : null;
    if (!dossier || !late) return { ok: false, code: 'nothing_late' };
    const count = await admitLate(tx, dossier.head.batchId);
    const body = {
      kind: 'held' as const,
      source: 'person' as const,
      reason: `${count} readings that came after the signature were taken in: ${reason}`,
    };
    const by = { id: person.id, name: person.name };
    const id = v5Id(`${batchId}:late:${now}`);
    await appendEntries(tx, batchId, [{ id, happenedS: now, by, corrects: null, body }], now);
    await closeRef(tx, dossier.head, null);
    await tell(tx, dossier, body);
    return { ok: true, data: { count } };
  });
