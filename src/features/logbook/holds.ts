import { foldBatch, holdsDue, holdsToLift, type CheckCode, type Entry } from '@/core';
import { askJudge } from '@/workers/judge/client';
import { v5Id } from '@/platform/ids';
import type { Dossier, Looked } from './case';
import { SYSTEM, type NewEntry } from './chain';

function holdEntries(
  batchId: string,
  checks: readonly CheckCode[],
  after: readonly Entry[],
  happenedS: number,
): NewEntry[] {
  const seq = after.reduce((max, e) => Math.max(max, e.seq), 0);
  return checks.map((check) => ({
    id: v5Id(`${batchId}:${check}:${seq}`),
    happenedS,
    by: SYSTEM,
    corrects: null,
    body: { kind: 'held', source: 'rule', check, reason: check },
  }));
}

/** Judges a batch with some more entries and returns the holds that follow from them. */
export async function holdsAfter(
  before: Looked,
  more: readonly Entry[],
  now: number,
): Promise<NewEntry[]> {
  const entries = [...before.entries, ...more];
  const state = foldBatch(before.head.recipe, entries);
  const nowS = Math.max(before.case.nowS, ...more.map((e) => e.happenedS));
  const verdict = await askJudge({ ...before.case, state, nowS }, 'page');
  return holdsAfterVerdict(before.head.id, state, verdict, entries, now);
}

/** Why the application takes a hold of its own back. */
const LIFTED = 'its cause was corrected, and nobody had decided on it';

/** The holds that a verdict calls for and nobody has decided on, and those whose cause was a slip, as entries. */
export function holdsAfterVerdict(
  batchId: string,
  state: Dossier['case']['state'],
  verdict: Dossier['verdict'],
  entries: readonly Entry[],
  now: number,
): NewEntry[] {
  const at = Math.max(now, state.startedS);
  const lifted = holdsToLift(state, verdict).map(({ id }): NewEntry => ({
    id: v5Id(`${id}:lifted`),
    happenedS: at,
    by: SYSTEM,
    corrects: null,
    body: { kind: 'hold_lifted', holdId: id, reason: LIFTED },
  }));
  return [...lifted, ...holdEntries(batchId, holdsDue(state, verdict), entries, at)];
}
