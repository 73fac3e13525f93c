import type { Person } from '@/features/accounts/identify';
import { append, closeRef, inLogbook, loadLooked } from '@/features/logbook/service';
import { admitLate, lateOf } from '@/features/readings/service';
import { nowS as clock } from '@/platform/clock';
import type { Db } from '@/platform/db/client';
import { v5Id } from '@/platform/ids';

type Taken = { ok: true; data: { count: number } } | { ok: false; code: string };

/**
 * A release lead takes the readings that came after the signature into the record: the signature no longer stands,
 * and the batch is on hold until somebody has looked at it again.
 */
export const takeLate = (db: Db, person: Person, batchId: string, reason: string): Promise<Taken> =>
  inLogbook(db, async (tx): Promise<Taken> => {
    const nowS = clock();
    const looked = await loadLooked(tx, batchId, nowS);
    const late = looked?.case.state.signature?.stands
      ? await lateOf(tx, looked.head.batchId)
      : null;
    if (!looked || !late) return { ok: false, code: 'nothing_late' };
    const count = await admitLate(tx, looked.head.batchId);
    const body = {
      kind: 'held' as const,
      source: 'person' as const,
      reason: `${count} readings that came after the signature were taken in: ${reason}`,
    };
    const by = { id: person.id, name: person.name };
    const id = v5Id(`${batchId}:late:${nowS}`);
    const entry = { id, happenedS: nowS, by, corrects: null, body };
    await append(tx, [{ ref: batchId, entry }], { nowS, reopens: true });
    await closeRef(tx, looked.head, null);
    return { ok: true, data: { count } };
  });
