import { DateTime } from 'luxon';
import { v5Id } from '@/platform/ids';
import {
  CURE_LINE,
  ofPart,
  partOf,
  plausibleTemp,
  refuse,
  type Author,
  type Case,
  type EntryBody,
  type EntryKind,
  type UnitSystem,
} from '@/core';
import { may } from '@/features/accounts/policy';
import type { Person } from '@/features/accounts/identify';
import { currentRules, loadSite, siteDay } from '@/features/settings/repository';
import { findVersion } from '@/features/recipes/repository';
import { blockersOf } from '@/features/recipes/service';
import { liftSeal } from '@/features/readings/seals';
import { moveStock, refuseLot, withLotCode } from '@/features/stores/service';
import { nowS as clock } from '@/platform/clock';
import { clockDoubt } from '@/platform/clock-watch';
import type { Db, Tx } from '@/platform/db/client';
import { notify } from '@/platform/events';
import { hashOf } from '@/platform/hash';
import { closeRef, loadDossier, otherParts, type Dossier } from './case';
import { batchIdOf, partIdOf } from './ref';
import { refuseChannels } from './channel-guard';
import { refuseReferences } from './references';
import { timesRefused } from './time-range';
import { holdsAfter, holdsAfterVerdict } from './holds';
import type { PostedBody, PostResult, StartBatch } from './contract';
import {
  appendEntries,
  countCodes,
  findBatch,
  findEntry,
  insertBatch,
  lockHead,
  type NewEntry,
} from './repository';

type Parsed = {
  id: string;
  happenedAt: string;
  body: PostedBody;
  corrects: string | null;
  confirmed: boolean;
  enteredIn: UnitSystem;
};

/** The body as it is recorded: what only the server may say is filled in. */
function asRecorded(body: PostedBody, dossier: Dossier, person: Author): EntryBody {
  if (body.kind === 'cure_checked') {
    const alone = dossier.case.state.weighed[CURE_LINE]?.by.id === person.id;
    return { ...body, method: alone ? 'reentered_alone' : 'second_person' };
  }
  if (body.kind === 'held') return { ...body, source: 'person' };
  return body;
}

const DECISIONS: readonly EntryKind[] = ['disposed', 'lot_allowed', 'plan_named'];

const neededPermission = (kind: EntryKind) =>
  DECISIONS.includes(kind) ? 'decide' : 'work_batches';

/** A hand reading of a core this far from every probe of its batch is asked back, °C. */
const UNLIKE_C = 15;
const LATELY_S = 900;

/** What the nearest probe of the batch shows, where a core by hand is unlike all of them; null where it fits. */
function coreBeside(c: Case, tempC: number, atS: number): number | null {
  const shown = c.state.probes
    .filter((p) => p.what === 'core' && p.toS === null)
    .flatMap((p) => (c.series[p.channelId] ?? []).findLast((r) => r.tS <= atS) ?? [])
    .filter((r) => atS - r.tS <= LATELY_S)
    .map((r) => r.tempC)
    .sort((a, b) => Math.abs(a - tempC) - Math.abs(b - tempC));
  const [nearest] = shown;
  return nearest !== undefined && Math.abs(nearest - tempC) > UNLIKE_C ? nearest : null;
}

/** Odd temperatures are asked back once; impossible ones are refused. */
function oddTemperature(
  body: EntryBody,
  confirmed: boolean,
  system: UnitSystem,
  c: Case,
  atS: number,
): PostResult | null {
  const said = body.kind === 'corrected' ? body.replacement : body;
  if (said?.kind !== 'reading_logged') return null;
  const besideC = said.what === 'core' ? coreBeside(c, said.tempC, atS) : null;
  const answer = plausibleTemp(said.what, said.tempC, system);
  if (answer.kind === 'impossible') return { ok: false, code: 'impossible_temperature' };
  if ((answer.kind === 'ask' || besideC !== null) && !confirmed) {
    const otherC = answer.kind === 'ask' ? answer.otherC : null;
    return {
      ok: false,
      code: 'odd_temperature',
      ...(otherC === null ? {} : { otherC }),
      ...(besideC === null ? {} : { besideC }),
    };
  }
  return null;
}

/** Is this the same entry, of the same time, as the one stored under its id? Then posting it again changes nothing. */
async function alreadyThere(tx: Tx, batchId: string, entry: NewEntry): Promise<PostResult | null> {
  const stored = await findEntry(tx, entry.id);
  if (!stored) return null;
  const same =
    stored.batchId === batchIdOf(batchId) &&
    stored.corrects === entry.corrects &&
    Math.abs(stored.happenedAt.getTime() / 1000 - entry.happenedS) < 0.002 &&
    hashOf(stored.body) === hashOf(entry.body);
  return same ? { ok: true, known: true, holds: [] } : { ok: false, code: 'id_taken' };
}

/**
 * Takes one entry into a batch's logbook, with the holds that follow from it, in one transaction.
 * Refuses what the role, the state of the batch or the clock do not allow; says so by code.
 */
export async function postEntry(
  db: Db,
  person: Person,
  batchId: string,
  posted: Parsed,
): Promise<PostResult> {
  if (!may(person.role, neededPermission(posted.body.kind)))
    return { ok: false, code: 'not_allowed' };
  const by = { id: person.id, name: person.name };
  const now = clock();
  return db.transaction().execute(async (tx) => {
    await lockHead(tx);
    const dossier = await loadDossier(tx, batchId, now);
    if (!dossier) return { ok: false, code: 'no_such_batch' };
    const body = ofPart(
      await withLotCode(tx, asRecorded(posted.body, dossier, by)),
      partIdOf(batchId),
    );
    const entry: NewEntry = {
      id: posted.id,
      happenedS: Date.parse(posted.happenedAt) / 1000,
      by,
      corrects: posted.corrects,
      body,
    };
    const known = await alreadyThere(tx, batchId, entry);
    if (known) return known;
    const odd = oddTemperature(
      body,
      posted.confirmed,
      posted.enteredIn,
      dossier.case,
      entry.happenedS,
    );
    if (odd) return odd;
    if (partOf(body) === null && (await closedForAll(tx, dossier, body)))
      return { ok: false, code: 'batch_closed' };
    const kinds = new Map(dossier.entries.map((e) => [e.id, e.body.kind]));
    const refusal = refuse(dossier.head.recipe, dossier.case.state, kinds, entry, now);
    if (refusal === 'in_future' && clockDoubt()) return { ok: false, code: 'server_clock' };
    if (refusal) return { ok: false, code: refusal };
    const named =
      (await refuseReferences(tx, body)) ??
      (await refuseChannels(tx, batchId, dossier.case.state, body));
    if (named) return { ok: false, code: named };
    const lot = await refuseLot(tx, dossier, body, await siteDay(tx, now));
    if (lot) return { ok: false, code: lot.code, problems: lot.problems };
    const seq = (dossier.entries.at(-1)?.seq ?? 0) + 1;
    const holds = await holdsAfter(dossier, { ...entry, seq, recordedS: now }, now);
    await appendEntries(tx, batchId, [entry, ...holds], now);
    await moveStock(tx, dossier.case.state, entry, by);
    if (body.kind === 'disposed' && body.disposition === 'destroy')
      await closeRef(tx, dossier.head, now);
    if (body.kind === 'corrected' && dossier.case.state.signature?.stands)
      await reopen(tx, dossier);
    await tell(tx, dossier, body);
    return {
      ok: true,
      known: false,
      holds: holds.flatMap((h) => (h.body.kind === 'held' ? [h.body.check ?? ''] : [])),
    };
  });
}

/** What may still be said of a batter of which a part is signed. */
const OF_SIGNED: readonly EntryKind[] = ['corrected', 'noted'];

/** Would the entry change what another part was signed on? */
async function closedForAll(tx: Tx, { head }: Dossier, body: EntryBody): Promise<boolean> {
  if (OF_SIGNED.includes(body.kind)) return false;
  return (await otherParts(tx, head)).some((o) => o.case.state.signature?.stands);
}

/** Channels that another part's signature still stands on: their seal stays. */
async function sealedElsewhere(tx: Tx, { head }: Dossier): Promise<Set<number>> {
  const signed = (await otherParts(tx, head)).filter((o) => o.case.state.signature?.stands);
  return new Set(signed.flatMap((o) => o.case.state.probes.map((p) => p.channelId)));
}

/** A signature no longer stands: the record is open again, and so is what it sealed alone. */
export async function reopen(tx: Tx, dossier: Dossier): Promise<void> {
  await closeRef(tx, dossier.head, null);
  await liftSeal(tx, dossier.head.batchId, await sealedElsewhere(tx, dossier));
}

/** Tells open pages of the batch and of its house. */
export async function tell(tx: Tx, dossier: Dossier, body: EntryBody): Promise<void> {
  await notify(tx, { topic: 'batch', id: dossier.head.id });
  const houseId =
    dossier.case.state.run?.houseId ?? (body.kind === 'run_started' ? body.houseId : null);
  if (houseId) await notify(tx, { topic: 'house', id: houseId });
}

/** Starts a batch: pins the recipe version and the site's present rules, and opens its logbook. */
export async function startBatch(db: Db, person: Person, input: StartBatch): Promise<PostResult> {
  const now = clock();
  const startedS = Date.parse(input.startedAt) / 1000;
  const readyByS = Date.parse(input.readyBy) / 1000;
  const refused = timesRefused(startedS, readyByS, now);
  if (refused) {
    const field = refused.startsWith('ready_by') ? 'readyBy' : 'startedAt';
    return { ok: false, code: refused, fields: { [field]: refused } };
  }
  return db.transaction().execute(async (tx) => {
    await lockHead(tx);
    const known = await findBatch(tx, input.id);
    if (known) return { ok: true, known: true, holds: [] };
    const version = await findVersion(tx, input.recipeVersionId);
    if (!version) return { ok: false, code: 'no_such_recipe' };
    if (version.status !== 'approved') return { ok: false, code: 'not_approved' };
    const site = await loadSite(tx);
    const rules = await currentRules(tx);
    /* Approved under other rules than today's: the figures are held against those that it will pin. */
    if (blockersOf(version.content, rules).length > 0) return { ok: false, code: 'outside_rules' };
    const prefix = `${DateTime.fromSeconds(startedS, { zone: site.timeZone }).toFormat('yyMMdd')}-`;
    const code = `${prefix}${(await countCodes(tx, prefix)) + 1}`;
    await insertBatch(tx, { id: input.id, code, recipeVersionId: version.id, startedS });
    const body: EntryBody = {
      kind: 'batch_started',
      plannedMeatG: input.meatG,
      readyByS,
      recipeVersionId: version.id,
      recipeSha256: version.sha256,
      rules: Object.values(rules).map((r) => ({ id: r.id, sha256: hashOf(r.body) })),
      ...(input.practice ? { practice: true } : {}),
    };
    await appendEntries(
      tx,
      input.id,
      [
        {
          id: v5Id(`${input.id}:start`),
          happenedS: startedS,
          by: { id: person.id, name: person.name },
          corrects: null,
          body,
        },
      ],
      now,
    );
    await notify(tx, { topic: 'batch', id: input.id });
    return { ok: true, known: false, holds: [] };
  });
}

/** Records the holds that time and readings have made due on a batch; does nothing when there are none. */
export async function recordDueHolds(db: Db, batchId: string): Promise<string[]> {
  const now = clock();
  return db.transaction().execute(async (tx) => {
    await lockHead(tx);
    const dossier = await loadDossier(tx, batchId, now);
    if (!dossier) return [];
    const due = holdsAfterVerdict(
      batchId,
      dossier.case.state,
      dossier.verdict,
      dossier.entries,
      now,
    );
    if (due.length === 0) return [];
    await appendEntries(tx, batchId, due, now);
    await notify(tx, { topic: 'batch', id: batchId });
    return due.map((h) => h.id);
  });
}
