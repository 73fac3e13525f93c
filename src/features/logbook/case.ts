import {
  evidenceEndS,
  foldBatch,
  slowSpans,
  withOffsets,
  type BatchState,
  type Calibrations,
  type Case,
  type Entry,
  type Reading,
  type RuleSet,
  type Series,
  type Verdict,
} from '@/core';
import type { Handle } from '@/platform/db/client';
import { askJudge } from '@/workers/judge/client';
import type { Asker } from '@/workers/pool';
import { lastSeqOf, loadEntries } from './chain';
import { keptDossier, keepDossier } from './dossier-cache';
import { countChecks, evidenceMark, loadCalibrations, loadSeries, markOf } from './evidence';
import { judgedOf, judgedSeries } from './kept-evidence';
import { findBatch, loadRules, type BatchHead } from './heads';

/** Where a batch stands by its record alone, without readings or judgement. */
export type Standing = { head: BatchHead; case: Pick<Case, 'recipe' | 'state'> };

/** A batch with the readings that are held against its record, not judged yet. */
export type Looked = Standing & { entries: Entry[]; case: Case };

/** A batch with everything that its verdict rests on. */
export type Dossier = Looked & { verdict: Verdict };

type Logs = Readonly<Record<number, readonly Reading[]>>;

/**
 * The same with every reading as it came, also where the judgement needs no more than their course: with the offsets of the
 * probes taken off, and as the probes showed them.
 */
export type WholeDossier = Dossier & { originals: Series; shown: Logs };

/** A batch by its record, with what says which readings are held against it. */
type Recorded = {
  head: BatchHead;
  entries: Entry[];
  rules: RuleSet;
  state: BatchState;
  channels: number[];
  /** Packing ends the evidence, so that a signature seals something that no later reading changes. */
  endS: number | null;
};

async function recordOf(db: Handle, head: BatchHead): Promise<Recorded> {
  const entries = await loadEntries(db, head.id);
  const start = entries[0]?.body;
  const pinned = start?.kind === 'batch_started' ? start.rules.map((r) => r.id) : [];
  const rules = await loadRules(db, pinned);
  const state = foldBatch(head.recipe, entries);
  const channels = [...new Set(state.probes.map((p) => p.channelId))];
  return { head, entries, rules, state, channels, endS: evidenceEndS(state, head.recipe) };
}

/** Readings with the offset of the check in force taken off each. */
const offsetsOff = (logs: Logs, calibrations: Calibrations): Series =>
  Object.fromEntries(
    Object.entries(logs).map(([id, log]) => [id, withOffsets(log, calibrations[Number(id)] ?? [])]),
  );

/** A batch with its readings, and what they and the checks of its probes come to. */
async function withReadings(
  db: Handle,
  r: Recorded,
  now: number,
): Promise<{ looked: Looked; mark: string }> {
  const { head, entries, rules, state, channels } = r;
  const nowS = r.endS ?? now;
  const wanted = { ref: head.id, channels, fromS: state.startedS, toS: nowS };
  /* First: what comes in between is met at the next look. */
  const checks = channels.length === 0 ? 0 : await countChecks(db, channels);
  const judged = await judgedSeries(db, { ...wanted, slow: slowSpans(state) });
  const calibrations = await loadCalibrations(db, channels);
  const series = offsetsOff(judged.series, calibrations);
  const { recipe } = head;
  const looked = { head, entries, case: { recipe, rules, state, series, calibrations, nowS } };
  return { looked, mark: markOf(channels, judged.counts, checks) };
}

/** Judges a batch as it was looked at. */
const judged = async (looked: Looked, asker: Asker): Promise<Dossier> => ({
  ...looked,
  verdict: await askJudge(looked.case, asker),
});

/** Loads one batch with its readings, unjudged, or null when there is none with this id. */
export async function loadLooked(db: Handle, ref: string, nowS: number): Promise<Looked | null> {
  const head = await findBatch(db, ref);
  return head && (await withReadings(db, await recordOf(db, head), nowS)).looked;
}

/** Loads and judges one batch as it is now, or null when there is none with this id. */
export async function judgeNow(db: Handle, ref: string, nowS: number): Promise<Dossier | null> {
  const looked = await loadLooked(db, ref, nowS);
  return looked && judged(looked, 'page');
}

/**
 * Loads and judges one batch from its first reading on, with every reading as it came: for whoever signs, verifies or
 * hands out. Null when there is none with this id.
 */
export async function loadDossier(
  db: Handle,
  ref: string,
  now: number,
): Promise<WholeDossier | null> {
  const head = await findBatch(db, ref);
  if (!head) return null;
  const { entries, rules, state, channels, endS } = await recordOf(db, head);
  const nowS = endS ?? now;
  const logs = await loadSeries(db, channels, state.startedS, nowS);
  const calibrations = await loadCalibrations(db, channels);
  const series = offsetsOff(judgedOf(logs, slowSpans(state)), calibrations);
  const whole = { recipe: head.recipe, rules, state, series, calibrations, nowS };
  const dossier = await judged({ head, entries, case: whole }, 'page');
  return { ...dossier, originals: offsetsOff(logs, calibrations), shown: logs };
}

/**
 * A batch as it was judged a moment ago, when since then nothing was recorded, read or checked, or nothing that moves what
 * hangs for weeks; else judged now. `seqs`: the last entries of the batches, where they were asked for together. For pages and for the watch. Within a transaction it is judged afresh: what is written there may never have been.
 */
export async function seeDossier(
  db: Handle,
  head: BatchHead,
  nowS: number,
  asker: Asker = 'page',
  seqs?: ReadonlyMap<string, number>,
): Promise<Dossier> {
  if (db.isTransaction)
    return judged((await withReadings(db, await recordOf(db, head), nowS)).looked, asker);
  const lastSeq = seqs?.get(head.batchId) ?? (await lastSeqOf(db, head.id));
  const kept = keptDossier(head.id, lastSeq, nowS);
  if (kept?.asIs || (kept && (await evidenceMark(db, kept.evidence, nowS)) === kept.mark))
    return kept.dossier;
  const record = await recordOf(db, head);
  const { channels, endS, state } = record;
  const evidence = { channels, fromS: state.startedS, endS };
  const { looked, mark } = await withReadings(db, record, nowS);
  const dossier = await judged(looked, asker);
  keepDossier({ dossier, lastSeq, evidence, mark });
  return dossier;
}
