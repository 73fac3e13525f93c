'use client';

import Dexie, { type EntityTable } from 'dexie';
import type { PostedEntry, PostResult } from '../contract';

export type Kept = {
  id: string;
  personId: string;
  batchId: string;
  entry: PostedEntry;
  keptAt: number;
};

/** Entries that the server has not acknowledged yet, on this device's disk. */
const store = new Dexie('jolly-kettle') as Dexie & { outbox: EntityTable<Kept, 'id'> };
store.version(1).stores({ outbox: 'id, personId, keptAt' });

export type Outcome = PostResult | { ok: false; code: 'kept' };

const changed = () => window.dispatchEvent(new Event('jolly-outbox'));

async function send(kept: Kept): Promise<Outcome> {
  const answer = await fetch(`/api/v1/batches/${kept.batchId}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(kept.entry),
    signal: AbortSignal.timeout(15_000),
  }).catch(() => null);
  if (!answer || answer.status >= 500) return { ok: false, code: 'kept' };
  const result = (await answer.json().catch(() => null)) as PostResult | null;
  return result ?? { ok: false, code: 'kept' };
}

const stays = (o: Outcome) => !o.ok && (o.code === 'kept' || o.code === 'signed_out');

/** Writes an entry to disk, sends it, and takes it off the disk once the server has taken or refused it. */
export async function post(
  personId: string,
  batchId: string,
  entry: PostedEntry,
): Promise<Outcome> {
  const kept: Kept = { id: entry.id, personId, batchId, entry, keptAt: Date.now() };
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
