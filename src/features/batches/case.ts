import {
  evidenceEndS,
  foldBatch,
  withOffsets,
  type Case,
  type Entry,
  type RuleSet,
  type Verdict,
} from '@/core';
import { loadCalibrations } from '@/features/readings/calibrations';
import { loadSeries } from '@/features/readings/repository';
import type { Handle } from '@/platform/db/client';
import { askJudge } from '@/workers/judge/client';
import type { Asker } from '@/workers/pool';
import { findBatch, loadEntries, loadRules, openBatches, type BatchHead } from './repository';

/** Where a batch stands by its record alone, without readings or judgement. */
export type Standing = { head: BatchHead; case: Pick<Case, 'recipe' | 'state'> };

/** A batch with everything that its verdict rests on. */
export type Dossier = Standing & { entries: Entry[]; case: Case; verdict: Verdict };

async function dossierOf(
  db: Handle,
  head: BatchHead,
  nowS: number,
  asker: Asker,
): Promise<Dossier> {
  const entries = await loadEntries(db, head.id);
  const start = entries[0]?.body;
  const rules: RuleSet = await loadRules(
    db,
    start?.kind === 'batch_started' ? start.rules.map((r) => r.id) : [],
  );
  const state = foldBatch(head.recipe, entries);
  const channels = [...new Set(state.probes.map((p) => p.channelId))];
  /* Packing ends the evidence, so that a signature seals something that no later reading changes. */
  const endS = evidenceEndS(state, head.recipe) ?? nowS;
  const series = await loadSeries(db, channels, state.startedS, endS);
  const calibrations = await loadCalibrations(db, channels);
  const corrected = Object.fromEntries(
    Object.entries(series).map(([id, log]) => [
      id,
      withOffsets(log, calibrations[Number(id)] ?? []),
    ]),
  );
  const judged: Case = {
    recipe: head.recipe,
    rules,
    state,
    series: corrected,
    calibrations,
    nowS: endS,
  };
  return { head, entries, case: judged, verdict: await askJudge(judged, asker) };
}

/** Loads and judges one batch, or null when there is none with this id. */
export async function loadDossier(
  db: Handle,
  batchId: string,
  nowS: number,
  asker: Asker = 'page',
): Promise<Dossier | null> {
  const head = await findBatch(db, batchId);
  return head && dossierOf(db, head, nowS, asker);
}

/** Where every open batch stands: for those who ask every few seconds and need no readings. */
export async function loadOpenStandings(db: Handle): Promise<Standing[]> {
  const heads = await openBatches(db);
  return Promise.all(
    heads.map(async (head) => {
      const state = foldBatch(head.recipe, await loadEntries(db, head.id));
      return { head, case: { recipe: head.recipe, state } };
    }),
  );
}

/** A batch whose record or readings could not be judged, with the reason: it is shown as such and hides no other. */
export type Unjudged = { head: BatchHead; message: string };

/** Loads and judges every batch whose record is open, each by itself. */
export async function loadOpen(
  db: Handle,
  nowS: number,
  asker: Asker = 'page',
): Promise<{ dossiers: Dossier[]; unjudged: Unjudged[] }> {
  const dossiers: Dossier[] = [];
  const unjudged: Unjudged[] = [];
  for (const head of await openBatches(db))
    try {
      dossiers.push(await dossierOf(db, head, nowS, asker));
    } catch (error) {
      const message = error instanceof Error ? error.message : String(error);
      console.warn(`batch ${head.code}: ${message}`);
      unjudged.push({ head, message });
    }
  return { dossiers, unjudged };
}

/** The open batches that can be judged. */
export const loadOpenDossiers = async (
  db: Handle,
  nowS: number,
  asker: Asker = 'page',
): Promise<Dossier[]> => (await loadOpen(db, nowS, asker)).dossiers;
