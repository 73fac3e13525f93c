import type { EntryBody } from '@/core';
import { JUDGEMENT, refuse } from '@/core';
import type { Person } from '@/features/accounts/identify';
import { holdReadings, sealChannels } from '@/features/readings/seals';
import { nowS as clock } from '@/platform/clock';
import type { Db, Tx } from '@/platform/db/client';
import { hashOf } from '@/platform/hash';
import { closeRef, loadDossier, type Dossier } from './case';
import type { PostResult } from './contract';
import { appendEntries, findEntry, lockHead, type NewEntry } from './repository';
import { tell } from './service';

export const STATEMENT =
  'I have seen the evidence of this batch and release it. Local code and the licensing authority come first.';

/** What the signature seals: the verdict's figures and every reading behind them. */
export const sealOf = (dossier: Dossier) => ({
  verdictSha256: hashOf(dossier.verdict),
  evidenceSha256: hashOf(dossier.case.series),
});

/** The signature of a batch as it stands, with the judgement that gave its verdict. */
export const signedBody = (dossier: Dossier): EntryBody => ({
  kind: 'signed',
  ...sealOf(dossier),
  statement: STATEMENT,
  judgement: JUDGEMENT,
});

/** From here on what comes for the batch's time is kept beside its record. */
export async function sealRecord(tx: Tx, { head, case: c }: Dossier): Promise<void> {
  const channels = c.state.probes.map((p) => p.channelId);
  await sealChannels(tx, head.batchId, channels, c.state.startedS, c.nowS);
}

/** Signs a batch whose verdict passes; the caller has checked the password. */
export async function signBatch(
  db: Db,
  person: Person,
  batchId: string,
  entryId: string,
): Promise<PostResult> {
  const now = clock();
  return db.transaction().execute(async (tx) => {
    await lockHead(tx);
    await holdReadings(tx);
    const dossier = await loadDossier(tx, batchId, now);
    if (!dossier) return { ok: false, code: 'no_such_batch' };
    const body = signedBody(dossier);
    const entry: NewEntry = {
      id: entryId,
      happenedS: now,
      by: { id: person.id, name: person.name },
      corrects: null,
      body,
    };
    if (await findEntry(tx, entryId)) return { ok: true, known: true, holds: [] };
    const refusal = refuse(dossier.head.recipe, dossier.case.state, new Map(), entry, now);
    if (refusal) return { ok: false, code: refusal };
    if (dossier.case.state.phase !== 'to_sign') return { ok: false, code: 'not_packed' };
    if (dossier.verdict.overall !== 'pass')
      return { ok: false, code: `verdict_${dossier.verdict.overall}` };
    await appendEntries(tx, batchId, [entry], now);
    await sealRecord(tx, dossier);
    await closeRef(tx, dossier.head, now);
    await tell(tx, dossier, body);
    return { ok: true, known: false, holds: [] };
  });
}
