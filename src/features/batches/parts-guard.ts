import { ofPart, partOf, type BatchState, type EntryBody, type EntryKind } from '@/core';
import { partIdOf } from '@/features/logbook/contract';
import {
  closeRef,
  otherParts,
  type BatchHead,
  type Guard,
  type Standing,
} from '@/features/logbook/service';
import { liftSeal } from '@/features/readings/service';
import type { Tx } from '@/platform/db/client';

/** What may still be said of a batter of which a part is signed. */
const OF_SIGNED: readonly EntryKind[] = ['corrected', 'noted'];

const signedOthers = async (tx: Tx, head: BatchHead): Promise<Standing[]> =>
  (await otherParts(tx, head)).filter((o) => o.case.state.signature?.stands);

/** Would the entry change what another part was signed on? */
async function closedForAll(tx: Tx, head: BatchHead, body: EntryBody): Promise<boolean> {
  if (partOf(body) !== null || OF_SIGNED.includes(body.kind)) return false;
  return (await signedOthers(tx, head)).length > 0;
}

/** A signature no longer stands: the record is open again, and so is what it sealed alone. */
export async function reopen(tx: Tx, head: BatchHead): Promise<void> {
  await closeRef(tx, head, null);
  const sealedElsewhere = (await signedOthers(tx, head)).flatMap((o) =>
    o.case.state.probes.map((p) => p.channelId),
  );
  await liftSeal(tx, head.batchId, new Set(sealedElsewhere));
}

const destroys = (body: EntryBody) => body.kind === 'disposed' && body.disposition === 'destroy';
const opens = (state: BatchState, body: EntryBody) =>
  body.kind === 'corrected' && state.signature?.stands === true;

/** Guards what the parts of one batter share, and closes and opens the record with them. */
export const partsGuard: Guard = {
  prepare: (_tx, { head, entry }) => Promise.resolve(ofPart(entry.body, partIdOf(head.id))),
  refuse: async (tx, { head, entry }) =>
    (await closedForAll(tx, head, entry.body)) ? { ok: false, code: 'batch_closed' } : null,
  effect: async (tx, { head, case: c, entry, nowS }) => {
    if (destroys(entry.body)) await closeRef(tx, head, nowS);
    if (opens(c.state, entry.body)) await reopen(tx, head);
  },
};
