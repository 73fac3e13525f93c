import {
  USUAL_CHILL,
  chillTimeS,
  effectiveEntries,
  learnChill,
  learnMachine,
  makingClassOf,
  routeOf,
  type ChillRun,
  type Entry,
  type LearnedChill,
  type LearnedMachine,
  type Pass,
  type Recipe,
  type RouteStep,
} from '@/core';
import LRU from 'lru-cache';
import { findBatch, lastBatchesWith, lastSeqsOf, loadEntries } from '@/features/logbook/service';
import type { Handle } from '@/platform/db/client';

/** So many batches back are looked at: machines wear, and blades are changed. */
const MOST_BATCHES = 20;

/** What earlier batches have shown: passes by what they are learned by, and chills. */
export type Learned = { machines: Record<string, LearnedMachine>; chill: LearnedChill };

/** By hand, or on a machine that nobody named. */
const NO_MACHINE = 'none';

/** What a pass is learned by: the kind of product, the kind of step and how it is done, and the machine. */
export const passKey = (recipe: Recipe, s: RouteStep, machineId: string | null): string =>
  [makingClassOf(recipe), s.kind, s.manner ?? '', machineId ?? NO_MACHINE].join(':');

type Found = { passes: Map<string, Pass[]>; chills: ChillRun[] };

/** How long a chill took, from when the meat was put in until it was ticked, with what was reckoned for it. */
function chillOf(
  body: { stepId: string; tempC?: number },
  atS: number,
  entries: readonly Entry[],
): ChillRun[] {
  const put = entries.find(
    (e) => e.body.kind === 'batter_measured' && e.body.stepId === body.stepId,
  );
  if (put?.body.kind !== 'batter_measured' || body.tempC === undefined) return [];
  const reckonedS = chillTimeS({
    ...USUAL_CHILL,
    startC: Math.min(40, put.body.tempC),
    targetC: Math.max(-6, body.tempC),
  });
  return reckonedS ? [{ tookS: atS - put.happenedS, reckonedS }] : [];
}

/** What one batch teaches. */
function readBatch(recipe: Recipe, entries: readonly Entry[], into: Found): void {
  const route = routeOf(recipe);
  const weighed = entries.flatMap(({ body: b }) =>
    b.kind === 'weighed' && recipe.meat.some((m) => m.id === b.lineId) ? [b.amountG] : [],
  );
  const meatG = weighed.reduce((a, b) => a + b, 0);
  const loads = entries.findLast((e) => e.body.kind === 'loads_set')?.body;
  const count = loads?.kind === 'loads_set' ? loads.loads : 1;
  for (const { body, happenedS } of entries) {
    if (body.kind !== 'step_ticked' || body.skipped !== undefined) continue;
    const step = route.find((s) => s.id === body.stepId);
    if (!step) continue;
    if (step.kind === 'chill') into.chills.push(...chillOf(body, happenedS, entries));
    if (body.beforeC === undefined || body.tempC === undefined) continue;
    const { beforeC, tempC: afterC, roomC, forS } = body;
    const pass = { beforeC, afterC, roomC, forS, massG: body.load ? meatG / count : meatG };
    const key = passKey(recipe, step, body.machineId ?? null);
    into.passes.set(key, [...(into.passes.get(key) ?? []), pass]);
  }
}

/** What the last batches were through at the bench, batch by batch. */
export type LookedBack = readonly (Found & { batchId: string })[];

/** What a batch taught, with the last entry that it was read up to. */
const readUpTo = new LRU<string, { lastSeq: number; found: Found }>({ max: 4 * MOST_BATCHES });

async function foundIn(db: Handle, batchId: string, lastSeq: number): Promise<Found | null> {
  const kept = db.isTransaction ? undefined : readUpTo.get(batchId);
  if (kept?.lastSeq === lastSeq) return kept.found;
  const head = await findBatch(db, batchId);
  if (!head) return null;
  const found: Found = { passes: new Map(), chills: [] };
  readBatch(head.wholeRecipe, effectiveEntries(await loadEntries(db, batchId)), found);
  if (!db.isTransaction) readUpTo.set(batchId, { lastSeq, found });
  return found;
}

export async function lookBack(db: Handle): Promise<LookedBack> {
  const all: (Found & { batchId: string })[] = [];
  const ids = await lastBatchesWith(db, 'step_ticked', MOST_BATCHES);
  const seqs = await lastSeqsOf(db, ids);
  for (const batchId of ids) {
    const found = await foundIn(db, batchId, seqs.get(batchId) ?? 0);
    if (found) all.push({ batchId, ...found });
  }
  return all;
}

/** Passes of several batches together, by what they are learned by, or by a part of it. */
function together(of: LookedBack, keyOf: (key: string) => string): Record<string, LearnedMachine> {
  const own = new Map<string, Pass[]>();
  for (const { passes } of of)
    for (const [key, list] of passes)
      own.set(keyOf(key), [...(own.get(keyOf(key)) ?? []), ...list]);
  return Object.fromEntries([...own].map(([key, list]) => [key, learnMachine(list)]));
}

/** What each machine of the site has shown over all products, by its id: for whoever looks after it. */
export const learnedByMachine = async (db: Handle): Promise<Record<string, LearnedMachine>> =>
  together(await lookBack(db), (key) => key.split(':').at(-1)!);

/** What the site's log teaches of its machines and its freezer, without the batch that is looked at. */
export function learnedFrom(all: LookedBack, except: string): Learned {
  const others = all.filter((b) => b.batchId !== except);
  return {
    machines: together(others, (key) => key),
    chill: learnChill(others.flatMap((b) => b.chills)),
  };
}
