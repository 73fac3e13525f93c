import LRUCache from 'lru-cache';
import { resumeEvidence, type Evidence, type Reading, type SlowSpan } from '@/core';
import type { Handle } from '@/platform/db/client';
import { giveWay } from '@/platform/give-way';
import { countReadings, loadSeries, loadSeriesAfter } from './evidence';

/** Which logs are judged, and where they are slow. */
export type Wanted = {
  ref: string;
  channels: readonly number[];
  fromS: number;
  toS: number;
  slow: readonly SlowSpan[];
};

/** Readings that may be kept in all: about 150 MB. */
const MOST_READINGS = 2_000_000;
const MOST_KEPT = 3000;
/** As many readings of a channel are read at once: more at a time would fill the memory for a moment. */
const AT_ONCE = 150_000;

/** Logs as they are judged, and how many readings went into each. */
export type Judged = {
  series: Record<number, readonly Reading[]>;
  counts: ReadonlyMap<number, number>;
};

type Kept = { fromS: number; evidence: Evidence };
const shared = globalThis as { jollyEvidence?: LRUCache<string, Kept> };
const kept = (shared.jollyEvidence ??= new LRUCache({
  max: MOST_KEPT,
  maxSize: MOST_READINGS,
  sizeCalculation: ({ evidence }) => evidence.log.length + 1,
}));

const keyOf = (ref: string, channelId: number) => `${ref}:${channelId}`;

/** A channel's log from its first reading, a part of the time after the other. */
async function fromScratch(db: Handle, w: Wanted, channelId: number, count: number) {
  const pieces = Math.max(1, Math.ceil(count / AT_ONCE));
  const lengthS = (w.toS - w.fromS) / pieces;
  let evidence: Evidence | null = null;
  for (let i = 0; i < pieces; i += 1) {
    await giveWay();
    const [fromS, toS] = [
      w.fromS + i * lengthS,
      i === pieces - 1 ? w.toS : w.fromS + (i + 1) * lengthS,
    ];
    const found = (await loadSeries(db, [channelId], fromS, toS))[channelId]!;
    const sinceS = evidence?.readS ?? -Infinity;
    /* The border between two parts belongs to both. */
    const readings: Reading[] = found[0] && found[0].tS <= sinceS ? found.slice(1) : found;
    const seen: number = (evidence?.count ?? 0) + readings.length;
    evidence = resumeEvidence(evidence, { readings, slow: w.slow, count: seen })!;
  }
  return evidence!;
}

/** What is kept of each channel goes on with what was read since, or is read again from its beginning. */
async function evidenceOf(db: Handle, w: Wanted): Promise<Map<number, Evidence>> {
  const known = w.channels.map((channelId) => {
    const one = kept.get(keyOf(w.ref, channelId));
    return {
      channelId,
      evidence: one?.fromS === w.fromS && one.evidence.readS <= w.toS ? one.evidence : null,
    };
  });
  const able = known.filter((k) => k.evidence !== null);
  const after = able.map((k) => ({ channelId: k.channelId, afterS: k.evidence!.readS }));
  const news = await loadSeriesAfter(db, after, w.fromS, w.toS);
  const counts = await countReadings(
    db,
    w.fromS,
    known.map(({ channelId, evidence }) => ({
      channelId,
      toS: evidence ? Math.max(w.fromS, news[channelId]?.at(-1)?.tS ?? evidence.readS) : w.toS,
    })),
  );
  const out = new Map<number, Evidence>();
  for (const { channelId, evidence } of known) {
    const readings = news[channelId] ?? [];
    const count = counts.get(channelId) ?? 0;
    const on = evidence && resumeEvidence(evidence, { readings, slow: w.slow, count });
    out.set(channelId, on ?? (await fromScratch(db, w, channelId, count)));
  }
  return out;
}

/**
 * The logs that a batch is judged on, °C as read. What of them was taken in before stays as it was: only what is new
 * is read from the database. What comes late, and a record that was corrected so far back, makes a log be read again.
 * Within a transaction nothing is kept: what is written there may never have been.
 */
export async function judgedSeries(db: Handle, w: Wanted): Promise<Judged> {
  const all = await evidenceOf(db, w);
  const series: Record<number, readonly Reading[]> = {};
  const counts = new Map<number, number>();
  for (const [channelId, evidence] of all) {
    series[channelId] = evidence.log;
    counts.set(channelId, evidence.count);
    if (!db.isTransaction) kept.set(keyOf(w.ref, channelId), { fromS: w.fromS, evidence });
  }
  return { series, counts };
}

/** The same from readings that are all at hand. */
export function judgedOf(
  originals: Readonly<Record<number, readonly Reading[]>>,
  slow: readonly SlowSpan[],
): Record<number, readonly Reading[]> {
  return Object.fromEntries(
    Object.entries(originals).map(([id, readings]) => [
      id,
      resumeEvidence(null, { readings, slow, count: readings.length })!.log,
    ]),
  );
}
