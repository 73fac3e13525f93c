import { sql } from 'kysely';
import { placeNow, refuse, type Entry, type EntryBody, type UnitSystem } from '@/core';
import { clockDoubt } from '@/platform/clock-watch';
import type { Db, Tx } from '@/platform/db/client';
import { notify } from '@/platform/events';
import { hashOf } from '@/platform/hash';
import { loadLooked, type Looked } from './case';
import { chainEntries, findEntry, loadEntries, lockHead, type NewEntry } from './chain';
import type { PostResult } from './contract';
import { holdsAfter } from './holds';
import { batchIdOf } from './ref';

/** An entry that somebody wants in the logbook of a batch. */
export type Offer = {
  ref: string;
  entry: NewEntry;
  /** The person was asked about an odd figure and stands by it. */
  confirmed?: boolean;
  enteredIn?: UnitSystem;
};

/** What a guard sees: the batch as it stands before the entry, and the entry as it is to be recorded. */
export type Offered = Looked & { offer: Offer; entry: NewEntry; nowS: number };
export type Refused = Extract<PostResult, { ok: false }>;

/** What another feature has to say of an entry. */
export type Guard = {
  /** Fills in what only the server knows. */
  prepare?: (tx: Tx, o: Offered) => Promise<EntryBody>;
  /** Why it does not go in, or null. */
  refuse?: (tx: Tx, o: Offered) => Promise<Refused | null>;
  /** What else follows from it, in the same transaction. */
  effect?: (tx: Tx, o: Offered) => Promise<void>;
};

export type How = {
  guards?: readonly Guard[];
  nowS: number;
  /** Judges what was offered, and records the holds that follow. */
  judged?: boolean;
  /** What is offered opens a signed record again: the signature is no reason against it. */
  reopens?: boolean;
};

/** Thrown where one of several entries does not go in: nothing of the transaction is kept. */
export class NotTaken extends Error {
  constructor(
    readonly refused: Refused,
    ref: string,
  ) {
    super(`${ref}: ${refused.code}`);
  }
}

/** Runs work on the logbook in one transaction; what is not taken comes back as the answer, and leaves nothing behind. */
export async function inLogbook<T>(db: Db, work: (tx: Tx) => Promise<T>): Promise<T | Refused> {
  try {
    return await db.transaction().execute(async (tx) => {
      await lockHead(tx);
      return work(tx);
    });
  } catch (error) {
    if (error instanceof NotTaken) return error.refused;
    throw error;
  }
}

/** A part of work on the logbook: where something of it is not taken, that is the answer, and only this part is undone. */
export async function inPart<T>(tx: Tx, work: () => Promise<T>): Promise<T | Refused> {
  await sql`savepoint part`.execute(tx);
  try {
    const made = await work();
    await sql`release savepoint part`.execute(tx);
    return made;
  } catch (error) {
    if (!(error instanceof NotTaken)) throw error;
    await sql`rollback to savepoint part`.execute(tx);
    return error.refused;
  }
}

/** Is this the same entry, of the same time, as the one stored under its id? Then posting it again changes nothing. */
async function alreadyThere(tx: Tx, ref: string, entry: NewEntry): Promise<boolean> {
  const stored = await findEntry(tx, entry.id);
  if (!stored) return false;
  const same =
    stored.batchId === batchIdOf(ref) &&
    stored.corrects === entry.corrects &&
    Math.abs(stored.happenedAt.getTime() / 1000 - entry.happenedS) < 0.002 &&
    hashOf(stored.body) === hashOf(entry.body);
  if (!same) throw new NotTaken({ ok: false, code: 'id_taken' }, ref);
  return true;
}

async function prepared(tx: Tx, o: Offered, guards: readonly Guard[]): Promise<Offered> {
  let made = o;
  for (const { prepare } of guards)
    if (prepare) made = { ...made, entry: { ...made.entry, body: await prepare(tx, made) } };
  return made;
}

/** Why the logbook itself, or one of the guards, does not take it, or null. */
async function refusedBy(tx: Tx, o: Offered, how: How): Promise<Refused | null> {
  const kinds = new Map(o.entries.map((e) => [e.id, e.body.kind]));
  const state = how.reopens ? { ...o.case.state, signature: null } : o.case.state;
  const code = refuse(o.head.recipe, state, kinds, o.entry, o.nowS);
  /* By a clock that is in doubt nothing is refused for good. */
  if (code)
    return { ok: false, code: code === 'in_future' && clockDoubt() ? 'server_clock' : code };
  for (const guard of how.guards ?? []) {
    const refused = await guard.refuse?.(tx, o);
    if (refused) return refused;
  }
  return null;
}

/** @returns the batch before the entry with the entry, or null where the record has it already */
async function take(tx: Tx, offer: Offer, how: How, several: boolean): Promise<Offered | null> {
  const { guards = [], nowS } = how;
  const looked = await loadLooked(tx, offer.ref, nowS);
  if (!looked) throw new NotTaken({ ok: false, code: 'no_such_batch' }, offer.ref);
  const o = await prepared(tx, { ...looked, offer, entry: offer.entry, nowS }, guards);
  if (await alreadyThere(tx, offer.ref, o.entry)) return null;
  const refused = await refusedBy(tx, o, how);
  if (refused)
    throw new NotTaken(several ? { ...refused, batch: o.head.code } : refused, offer.ref);
  await chainEntries(tx, offer.ref, [o.entry], nowS);
  for (const guard of guards) await guard.effect?.(tx, o);
  return o;
}

/** The entries that a batch took in this transaction, and how it stood before the first of them. */
type Taken = { before: Looked; entries: Entry[] };

/** Records the holds that follow from what a batch took. @returns the checks that stopped it */
async function stop(tx: Tx, ref: string, { before, entries }: Taken, nowS: number) {
  const holds = await holdsAfter(before, entries, nowS);
  await chainEntries(tx, ref, holds, nowS);
  return holds.flatMap((h) => (h.body.kind === 'held' ? [h.body.check ?? ''] : []));
}

/** Tells open pages of the batch and of the house it hangs in. */
async function tell(tx: Tx, o: Offered): Promise<void> {
  const { body } = o.entry;
  await notify(tx, { topic: 'batch', id: o.head.id });
  const { run } = o.case.state;
  const to = body.kind === 'run_started' || body.kind === 'moved' ? body.houseId : undefined;
  for (const houseId of new Set([...(run ? [placeNow(run)] : []), ...(to ? [to] : [])]))
    await notify(tx, { topic: 'house', id: houseId });
}

/**
 * Takes entries into the logbooks of one or several batches: all of them or none. It is the only way in, for people,
 * the watch, files, signatures and stories alike; an entry that is there already counts once. The caller has the
 * transaction: see `inLogbook`.
 * @throws NotTaken where the batch as it stands, or a guard, does not take one of them
 */
export async function append(
  tx: Tx,
  offers: readonly Offer[],
  how: How,
): Promise<{ known: boolean; holds: string[] }> {
  await lockHead(tx);
  const taken = new Map<string, Taken>();
  for (const offer of offers) {
    const o = await take(tx, offer, how, offers.length > 1);
    if (!o) continue;
    const of = taken.get(offer.ref) ?? { before: o, entries: [] };
    const seq = (o.entries.at(-1)?.seq ?? 0) + 1;
    of.entries.push({ ...o.entry, seq, recordedS: how.nowS });
    taken.set(offer.ref, of);
    await tell(tx, o);
  }
  const holds: string[] = [];
  if (how.judged) for (const [ref, of] of taken) holds.push(...(await stop(tx, ref, of, how.nowS)));
  return { known: taken.size === 0, holds };
}

/** Takes what was seen of a batch, if its record is still as it was looked at; else the next look sees it. */
export const appendSeen = (
  db: Db,
  seen: Pick<Looked, 'head' | 'entries'>,
  entries: readonly NewEntry[],
  nowS: number,
) =>
  inLogbook(db, async (tx) => {
    const ref = seen.head.id;
    const now = await loadEntries(tx, ref);
    if (now.at(-1)?.seq !== seen.entries.at(-1)?.seq) return;
    await append(
      tx,
      entries.map((entry) => ({ ref, entry })),
      { nowS },
    );
  });
