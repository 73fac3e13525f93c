'use client';

import Dexie, { type EntityTable } from 'dexie';
import type { PostedEntry, PostedOffer, PostResult } from '../contract';

/** Entries that belong together: they are sent, and taken or refused, as one. */
export type Kept = { id: string; personId: string; offers: PostedOffer[]; keptAt: number };

/** Entries that the server has not acknowledged yet, on this device's disk. */
const store = new Dexie('jolly-kettle') as Dexie & { outbox: EntityTable<Kept, 'id'> };
store.version(1).stores({ outbox: 'id, personId, keptAt' });
store
  .version(2)
  .stores({ outbox: 'id, personId, keptAt' })
  .upgrade((tx) =>
    tx
      .table('outbox')
      .toCollection()
      .modify((old: { batchId?: string; entry?: PostedEntry; offers?: PostedOffer[] }) => {
        old.offers ??= [{ batchId: old.batchId!, entry: old.entry! }];
        delete old.batchId;
        delete old.entry;
      }),
  );

export type Outcome = PostResult | { ok: false; code: 'kept' };

const changed = () => window.dispatchEvent(new Event('jolly-outbox'));

async function send({ offers }: Kept): Promise<Outcome> {
  const [first, ...more] = offers;
  const [url, body] =
    more.length === 0
      ? [`/api/v1/batches/${first!.batchId}/entries`, first!.entry]
      : ['/api/v1/entries', { offers }];
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal: AbortSignal.timeout(15_000),
  }).catch(() => null);
  if (!answer || answer.status >= 500) return { ok: false, code: 'kept' };
  const result = (await answer.json().catch(() => null)) as PostResult | null;
  return result ?? { ok: false, code: 'kept' };
}

const stays = (o: Outcome) => !o.ok && (o.code === 'kept' || o.code === 'signed_out');

/** Writes entries that belong together to disk, sends them, and takes them off the disk once the server has taken or refused them. */
export async function postAll(personId: string, offers: PostedOffer[]): Promise<Outcome> {
  const kept: Kept = { id: offers[0]!.entry.id, personId, offers, keptAt: Date.now() };
  await store.outbox.put(kept);
  const outcome = await send(kept);
  if (!stays(outcome)) await store.outbox.delete(kept.id);
  changed();
  return outcome;
}

export type Flushed = { sent: number; refused: { kept: Kept; code: string }[] };

/** Sends what this person left waiting, oldest first; stops at the first that can't be sent now. */
export async function flush(personId: string): Promise<Flushed> {
  const result: Flushed = { sent: 0, refused: [] };
  const waiting = await store.outbox.where('personId').equals(personId).sortBy('keptAt');
  for (const kept of waiting) {
    const outcome = await send(kept);
    if (stays(outcome)) break;
    await store.outbox.delete(kept.id);
    if (outcome.ok) result.sent += 1;
    else result.refused.push({ kept, code: outcome.code });
  }
  if (waiting.length > 0) changed();
  return result;
}

export const countWaiting = (personId: string) =>
  store.outbox.where('personId').equals(personId).count();
