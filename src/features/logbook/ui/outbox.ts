'use client';

import Dexie, { liveQuery, type EntityTable } from 'dexie';
import type { PostedEntry, PostedOffer, PostResult } from '../contract';
import { pressed } from './last-press';

/** Entries that belong together: they are sent, and taken or refused, as one. */
export type Kept = { id: string; personId: string; offers: PostedOffer[]; keptAt: number };
/** What the server did not take when it was sent later: it stays here until somebody has seen it. */
export type NotTaken = Kept & { code: string; details?: Record<string, string> };

/**
 * Entries that the server has not acknowledged yet, and those that it refused since, on this device's disk. What is said
 * to be kept is on the disk by then, and no battery that is pulled takes it: nothing is told before it is written.
 */
const store = new Dexie('jolly-kettle', {
  cache: 'disabled',
  chromeTransactionDurability: 'strict',
}) as Dexie & {
  outbox: EntityTable<Kept, 'id'>;
  refused: EntityTable<NotTaken, 'id'>;
};
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
store.version(3).stores({ outbox: 'id, personId, keptAt', refused: 'id, personId, keptAt' });

export type Outcome = PostResult | { ok: false; code: 'kept' };
export type Refusal = Extract<Outcome, { ok: false }>;

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

/** One window at a time sends: two that do it at once would change the order. */
async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (!('locks' in navigator)) return work();
  let made: T;
  await navigator.locks.request('jolly-outbox', async () => {
    made = await work();
  });
  return made!;
}

const waitingOf = (personId: string) =>
  store.outbox.where('personId').equals(personId).sortBy('keptAt');

/** Writes entries to disk, after everything that is there. */
const keep = (personId: string, offers: PostedOffer[]): Promise<Kept> =>
  store.transaction('rw', store.outbox, async () => {
    const last = await store.outbox.orderBy('keptAt').last();
    const keptAt = Math.max(Date.now(), (last?.keptAt ?? 0) + 1);
    const kept: Kept = { id: offers[0]!.entry.id, personId, offers, keptAt };
    await store.outbox.put(kept);
    return kept;
  });

/** Keeps a refusal until somebody has seen it. */
const putRefused = (kept: Kept, outcome: Refusal) =>
  store.refused.put({
    ...kept,
    code: outcome.code,
    details: 'fields' in outcome ? outcome.fields : undefined,
  });

/** Takes an entry off the disk once the server has answered; a refusal that nobody looks at stays, in a place of its own. */
async function settle(kept: Kept, outcome: Outcome, seen: boolean): Promise<void> {
  await store.transaction('rw', store.outbox, store.refused, async () => {
    if (!outcome.ok && !seen) await putRefused(kept, outcome);
    await store.outbox.delete(kept.id);
  });
}

/**
 * Sends what this person left waiting, oldest first; stops at the first that can't be sent now.
 * @param mine the entry that somebody looks at: what the server says of it is told, and not kept
 */
async function drain(
  personId: string,
  mine: string | null,
): Promise<{ sent: number; mine: Outcome | null }> {
  let sent = 0;
  for (const kept of await waitingOf(personId)) {
    const outcome = await send(kept);
    if (stays(outcome)) return { sent, mine: outcome };
    await settle(kept, outcome, kept.id === mine);
    if (outcome.ok) sent += 1;
    if (kept.id === mine) return { sent, mine: outcome };
  }
  return { sent, mine: null };
}

/** So long is waited for the rules of entries, ms. */
const LONGEST_LOOK_MS = 1000;

/** What is wrong with an entry as it is; it is said now, and not when the network is back. */
async function wrongIn(offers: readonly PostedOffer[]): Promise<Outcome | null> {
  /* Where they do not come at once, the server says it later: an entry waits for no network to be kept. */
  const tools = await Promise.race([
    Promise.all([import('../contract'), import('@/platform/read-input')]).catch(() => null),
    new Promise<null>((late) => setTimeout(late, LONGEST_LOOK_MS, null)),
  ]);
  if (!tools) return null;
  const [{ postedEntrySchema }, { fieldsOf, readInput }] = tools;
  for (const { entry } of offers) {
    const read = readInput(postedEntrySchema, entry);
    if (!read.success) return { ok: false, code: 'bad_entry', fields: fieldsOf(read.error) };
  }
  return null;
}

/** Writes entries that belong together to disk, and sends them after what waits already. */
export async function postAll(personId: string, offers: PostedOffer[]): Promise<Outcome> {
  const wrong = await wrongIn(offers);
  if (wrong) return wrong;
  const kept = await keep(personId, offers);
  const { mine } = await inTurn(() => drain(personId, kept.id));
  /* Another window has sent it meanwhile, and has told what came of it. */
  const outcome: Outcome = mine ?? { ok: true, known: true, holds: [] };
  if (outcome.ok || outcome.code === 'kept') pressed(personId, offers);
  return outcome;
}

/** Sends what this person left waiting. @returns how many were taken */
export async function flush(personId: string): Promise<number> {
  return (await inTurn(() => drain(personId, null))).sent;
}

/** What waits, and what was not taken, in the order in which it was recorded. */
export type KeptHere = { waiting: Kept[]; refused: NotTaken[] };

/** Tells what of this person is kept here, now and whenever it changes, in whichever window. @returns how to stop it */
export function watchKept(personId: string, tell: (kept: KeptHere) => void): () => void {
  const looking = liveQuery(async () => ({
    waiting: await waitingOf(personId),
    refused: await store.refused.where('personId').equals(personId).sortBy('keptAt'),
  })).subscribe({ next: tell, error: (e) => console.warn('outbox:', e) });
  return () => looking.unsubscribe();
}

/** Keeps a refusal that went off the screen with what it was said at: the page says it at its top. */
export const tellLater = (personId: string, offers: PostedOffer[], outcome: Refusal) =>
  putRefused({ id: offers[0]!.entry.id, personId, offers, keptAt: Date.now() }, outcome);

/** A refusal was seen: it is not said again. */
export const seen = (id: string): Promise<void> => store.refused.delete(id);
