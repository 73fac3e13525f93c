import { JUDGEMENT, type Author, type EntryBody } from '@/core';
import type { PostResult } from '@/features/logbook/contract';
import {
  append,
  closeRef,
  inLogbook,
  loadDossier,
  type Dossier,
  type WholeDossier,
  type Guard,
  type NewEntry,
} from '@/features/logbook/service';
import { holdReadings, sealChannels } from '@/features/readings/service';
import { nowS as clock } from '@/platform/clock';
import type { Db, Tx } from '@/platform/db/client';
import { hashOf } from '@/platform/hash';

export const STATEMENT =
  'I have seen the evidence of this batch and release it. Local code and the licensing authority come first.';

/** What a signature says of the verdict. */
export const verdictSeal = ({ verdict }: Pick<WholeDossier, 'verdict'>) => hashOf(verdict);

/** What the signature seals: the verdict's figures and every reading behind them. */
export const sealOf = (dossier: WholeDossier) => ({
  verdictSha256: verdictSeal(dossier),
  evidenceSha256: hashOf(dossier.originals),
});

/** The signature of a batch as it stands, with the judgement that gave its verdict. */
const signedBody = (dossier: WholeDossier): EntryBody => ({
  kind: 'signed',
  ...sealOf(dossier),
  statement: STATEMENT,
  judgement: JUDGEMENT,
});

/** From here on what comes for the batch's time is kept beside its record. */
async function sealRecord(tx: Tx, { head, case: c }: Dossier): Promise<void> {
  const channels = c.state.probes.map((p) => p.channelId);
  await sealChannels(tx, head.batchId, channels, c.state.startedS, c.nowS);
}

/** Signs a batch whose verdict passes; the caller has checked the password. */
export const signBatch = (
  db: Db,
  person: Author,
  batchId: string,
  entryId: string,
  nowS = clock(),
): Promise<PostResult> =>
  inLogbook(db, async (tx): Promise<PostResult> => {
    await holdReadings(tx);
    const dossier = await loadDossier(tx, batchId, nowS);
    if (!dossier) return { ok: false, code: 'no_such_batch' };
    const by = { id: person.id, name: person.name };
    const body = signedBody(dossier);
    const entry: NewEntry = { id: entryId, happenedS: nowS, by, corrects: null, body };
    const done = await append(tx, [{ ref: batchId, entry }], { guards: [passes(dossier)], nowS });
    return { ok: true, ...done };
  });

/** What is signed is packed and passes; its readings are sealed, and its record is closed. */
const passes = (dossier: WholeDossier): Guard => ({
  refuse: (_tx, { case: c }) => {
    const { overall } = dossier.verdict;
    const code =
      c.state.phase !== 'to_sign' ? 'not_packed' : overall === 'pass' ? null : `verdict_${overall}`;
    return Promise.resolve(code === null ? null : { ok: false, code });
  },
  effect: async (tx, { nowS }) => {
    await sealRecord(tx, dossier);
    await closeRef(tx, dossier.head, nowS);
  },
});
