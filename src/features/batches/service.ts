import {
  CURE_LINE,
  whoPosts,
  type Author,
  type Case,
  type EntryBody,
  type EntryKind,
} from '@/core';
import type { Person } from '@/features/accounts/identify';
import { may } from '@/features/accounts/policy';
import type { postedEntrySchema, PostResult } from '@/features/logbook/contract';
import {
  append,
  holdsAfterVerdict,
  inLogbook,
  judgeNow,
  type Guard,
  type Offer,
} from '@/features/logbook/service';
import { meterGuard, probeGuard } from '@/features/readings/service';
import { casingGuard, cultureGuard, lotGuard } from '@/features/stores/service';
import { nowS as clock } from '@/platform/clock';
import type { Db } from '@/platform/db/client';
import type { z } from 'zod';
import { oddPieceGuard } from './odd-piece';
import { oddTemperatureGuard } from './odd-temperature';
import { putBackGuard } from './put-back';
import { forWholeHouse } from './whole-house';
import { partsGuard } from './parts-guard';
import { referencesGuard } from './references';
import { siteFactsGuard } from './site-facts';

export type Posted = { batchId: string; entry: z.output<typeof postedEntrySchema> };

const PERMISSION = { work: 'work_batches', decide: 'decide' } as const;

/** May this person post an entry of this kind? What the application records itself nobody may. */
function mayPost({ role }: Person, kind: EntryKind): boolean {
  const who = whoPosts(kind);
  return who !== null && may(role, PERMISSION[who]);
}

/** The body as it is recorded: what only the server may say is filled in. */
function asRecorded(body: EntryBody, { state }: Case, by: Author): EntryBody {
  if (body.kind === 'cure_checked') {
    const alone = state.weighed[CURE_LINE]?.by.id === by.id;
    return { ...body, method: alone ? 'reentered_alone' : 'second_person' };
  }
  return body.kind === 'held' ? { ...body, source: 'person' } : body;
}

const saidGuard: Guard = {
  prepare: (_tx, { case: c, entry }) => Promise.resolve(asRecorded(entry.body, c, entry.by)),
};

/** Who has a say when a person records something, in the order in which they are asked. */
export const GUARDS: readonly Guard[] = [
  saidGuard,
  siteFactsGuard,
  partsGuard,
  oddTemperatureGuard,
  oddPieceGuard,
  referencesGuard,
  putBackGuard,
  probeGuard,
  meterGuard,
  lotGuard,
  cultureGuard,
  casingGuard,
];

const offerOf = ({ batchId, entry }: Posted, by: Author): Offer => ({
  ref: batchId,
  entry: {
    id: entry.id,
    happenedS: Date.parse(entry.happenedAt) / 1000,
    by,
    corrects: entry.corrects,
    /* What the server says of it is filled in by the guards. */
    body: entry.body as EntryBody,
  },
  confirmed: entry.confirmed,
  enteredIn: entry.enteredIn,
});

/**
 * Takes entries of a person into the logbooks of one or several batches, all or none, with the holds that follow.
 * Refuses what the role, the state of a batch or the clock do not allow; says so by code.
 */
export async function postEntries(
  db: Db,
  person: Person,
  posted: readonly Posted[],
): Promise<PostResult> {
  if (!posted.every((p) => mayPost(person, p.entry.body.kind)))
    return { ok: false, code: 'not_allowed' };
  const by = { id: person.id, name: person.name };
  const offers = posted.map((p) => offerOf(p, by));
  return inLogbook(db, async (tx) => ({
    ok: true as const,
    ...(await append(tx, await forWholeHouse(tx, offers), {
      guards: GUARDS,
      nowS: clock(),
      judged: true,
    })),
  }));
}

/** Takes one entry into a batch's logbook. */
export const postEntry = (
  db: Db,
  person: Person,
  batchId: string,
  entry: Posted['entry'],
): Promise<PostResult> => postEntries(db, person, [{ batchId, entry }]);

/** Records the holds that time and readings have made due on a batch; does nothing when there are none. */
export async function recordDueHolds(db: Db, ref: string): Promise<string[]> {
  const nowS = clock();
  const done = await inLogbook(db, async (tx) => {
    const d = await judgeNow(tx, ref, nowS);
    if (!d) return [];
    const due = holdsAfterVerdict(ref, d.case.state, d.verdict, d.entries, nowS);
    if (due.length > 0)
      await append(
        tx,
        due.map((entry) => ({ ref, entry })),
        { nowS },
      );
    return due.map((h) => h.id);
  });
  return Array.isArray(done) ? done : [];
}

export { nextStep } from './next-step';
export { wayOfBatch, type BatchWay } from './plan';
export { liveHeat, type LiveHeat } from './live';
export { stageEvidence } from './stage-evidence';
export { beforePress, unreachedOf, type BeforePress } from './before-press';
export { shortName, type ChartForecast } from './chart-data';
export { probeChecked } from './doubted-probe';
export { meterChecked } from './doubted-meter';
export { sealOf } from './sign';
export { startBatch } from './start';
