import LRUCache from 'lru-cache';
import { isSlowNow } from '@/core';
import type { Dossier } from './case';
import type { EvidenceSpan } from './evidence';

/** A judged batch with what told its record and its evidence from any other. */
export type Kept = { dossier: Dossier; lastSeq: number; evidence: EvidenceSpan; mark: string };

/** The clock moves a verdict too: one of an open batch is as good as new for this long, s. */
const AS_NEW_S = 10;
/** While a batch ferments or hangs for days, its readings move nothing in a minute, s. */
const SLOW_AS_NEW_S = 60;
/** Readings that may be kept in all: about 100 MB. */
const MOST_READINGS = 1_500_000;
const MOST_KEPT = 300;

const shared = globalThis as { jollyDossiers?: LRUCache<string, Kept> };
const kept = (shared.jollyDossiers ??= new LRUCache({
  max: MOST_KEPT,
  maxSize: MOST_READINGS,
  sizeCalculation: ({ dossier }) =>
    Object.values(dossier.case.series).reduce((sum, log) => sum + log.length, 1),
}));

/** A batch as it was judged last; `asIs`: whatever was read since, it is as good as new. */
export type Known = Kept & { asIs: boolean };

/** The batch as it was judged last, when its record ended there too and the clock has hardly moved since. */
export function keptDossier(ref: string, lastSeq: number, nowS: number): Known | null {
  const found = kept.get(ref);
  if (found?.lastSeq !== lastSeq) return null;
  if (found.evidence.endS !== null) return { ...found, asIs: false };
  const sinceS = nowS - found.dossier.case.nowS;
  const slow = isSlowNow(found.dossier.case.state);
  const forS = slow ? SLOW_AS_NEW_S : AS_NEW_S;
  return sinceS >= 0 && sinceS < forS ? { ...found, asIs: slow } : null;
}

export const keepDossier = (one: Kept): void => void kept.set(one.dossier.head.id, one);
