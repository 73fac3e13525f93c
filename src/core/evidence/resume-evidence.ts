import { QuantityError, requireFinite } from '../guard';
import type { Reading } from '../lethality/reading';
import type { SlowSpan } from './slow-spans';

/** What is judged of one channel's log, and where it goes on when more is read. */
export type Evidence = {
  /** What the judgement takes for the log: in time order, a part of what was read. */
  log: readonly Reading[];
  /** Readings that went into it, and the time of the last one, s; −∞ before the first. */
  count: number;
  readS: number;
  /** Before this time nothing of `log` changes any more, s; so many of it lie there, read last at `settledReadS`. */
  settledS: number;
  settled: number;
  settledReadS: number;
  /** Where it was taken as slow, as far as it is settled. */
  slow: readonly SlowSpan[];
};

export type EvidenceBasis = {
  /** Those after the ones that went into what was kept; all of them where nothing was. In time order, s and °C. */
  readings: readonly Reading[];
  slow: readonly SlowSpan[];
  /** How many readings there are by now from the first to the last: more than were seen, and one came late. */
  count: number;
};

/** A slow log keeps the peaks of so long, s: less than half of the silence that any rule forgives. */
export const SLOT_S = 240;
/** At its ends, and up to the last reading, a slow stretch is kept whole, s: people write down late what they did. */
export const WHOLE_S = 3600;
/** Readings further apart are kept both, s: a silence stays as long as it was. */
const NEAR_S = 60;
/** A slot that moves by no more keeps its hottest reading alone, °C. */
const CALM_C = 0.5;

const NOTHING: Evidence = {
  log: [],
  count: 0,
  readS: -Infinity,
  settledS: -Infinity,
  settled: 0,
  settledReadS: -Infinity,
  slow: [],
};

/** The spans as far as they bear on what is settled: their inner parts, cut off there. */
function innerSpans(slow: readonly SlowSpan[], settledS: number): SlowSpan[] {
  return slow.flatMap((s) => {
    const fromS = s.fromS + WHOLE_S;
    const toS = Math.min(s.toS - WHOLE_S, settledS);
    return toS > fromS ? [{ fromS, toS }] : [];
  });
}

const sameSpans = (a: readonly SlowSpan[], b: readonly SlowSpan[]) =>
  a.length === b.length && a.every((s, i) => s.fromS === b[i]!.fromS && s.toS === b[i]!.toS);

/** Readings of one slot that stand for it: its hottest, its coldest where it moved, and both sides of a silence. */
function peaksOf(slot: readonly Reading[], beforeS: number, afterS: number): Reading[] {
  let [hot, cold] = [slot[0]!, slot[0]!];
  for (const r of slot) {
    if (r.tempC > hot.tempC) hot = r;
    if (r.tempC < cold.tempC) cold = r;
  }
  const moved = hot.tempC - cold.tempC > CALM_C;
  return slot.filter((r, i) => {
    if (r === hot || (moved && r === cold)) return true;
    const lastS = slot[i - 1]?.tS ?? beforeS;
    const nextS = slot[i + 1]?.tS ?? afterS;
    return r.tS - lastS > NEAR_S || nextS - r.tS > NEAR_S;
  });
}

function requireOrder(readings: readonly Reading[]): void {
  readings.forEach((r, i) => {
    requireFinite(`readings[${i}].tempC`, r.tempC);
    requireFinite(`readings[${i}].tS`, r.tS);
    const last = readings[i - 1];
    if (last && r.tS < last.tS)
      throw new RangeError(`readings[${i}].tS must be at or after the one before it`);
  });
}

/**
 * What is judged of a channel's log, from what was judged of it before and what was read since: a look costs what is
 * new. While a product is heated, smoked or chilled every reading counts. Where it ferments or hangs for days, each
 * four minutes keep their hottest reading, their coldest where they moved, and both sides of every silence; so that a
 * log is never colder, its peaks never lower and its silences never shorter than they were. The last hour stays whole.
 * @param kept null for a log from its first reading
 * @returns the same as from the first reading, however it was cut; null where what was kept no longer holds: a reading
 *   came late, or the record was corrected so that what was settled was read in another stage. Then ask with null.
 * @throws RangeError naming the reading that is not finite or runs back in time
 * @example resumeEvidence(null, { readings: [{ tS: 0, tempC: 12 }], slow: [], count: 1 })!.log // [{ tS: 0, tempC: 12 }]
 */
export function resumeEvidence(kept: Evidence | null, basis: EvidenceBasis): Evidence | null {
  const { readings, slow } = basis;
  requireOrder(readings);
  const from = kept ?? NOTHING;
  const count = from.count + readings.length;
  if (readings.length > 0 && readings[0]!.tS <= from.readS) return null;
  if (count !== basis.count || !sameSpans(from.slow, innerSpans(slow, from.settledS))) return null;
  const readS = readings.at(-1)?.tS ?? from.readS;
  const settledS = Math.max(from.settledS, Math.floor((readS - WHOLE_S) / SLOT_S) * SLOT_S);
  const inner = innerSpans(slow, settledS);
  const isSlow = (startS: number) =>
    inner.some((s) => startS >= s.fromS && startS + SLOT_S <= s.toS);
  const rest = [...from.log.slice(from.settled), ...readings];
  const done = from.log.slice(0, from.settled);
  let { settledReadS } = from;
  let i = 0;
  while (i < rest.length && rest[i]!.tS < settledS) {
    const startS = Math.floor(rest[i]!.tS / SLOT_S) * SLOT_S;
    let j = i + 1;
    while (j < rest.length && rest[j]!.tS < startS + SLOT_S) j += 1;
    const slot = rest.slice(i, j);
    const of = isSlow(startS) ? peaksOf(slot, settledReadS, rest[j]?.tS ?? Infinity) : slot;
    for (const r of of) done.push(r);
    settledReadS = slot.at(-1)!.tS;
    i = j;
  }
  const settled = done.length;
  for (; i < rest.length; i += 1) done.push(rest[i]!);
  return { log: done, count, readS, settledS, settled, settledReadS, slow: inner };
}

/**
 * The same log taken in a stretch after the other, as it comes while a batch hangs: for holding it against the log at once.
 * @param everyS length of a stretch, s, > 0; infinite takes the log at once
 */
export function inPieces(
  readings: readonly Reading[],
  slow: readonly SlowSpan[],
  everyS: number,
): readonly Reading[] {
  if (!(everyS > 0)) throw new QuantityError('everyS', everyS, 'more than 0');
  let evidence: Evidence | null = null;
  for (let from = 0, to = 0; to < readings.length; from = to) {
    const endS = readings[from]!.tS + everyS;
    while (to < readings.length && readings[to]!.tS < endS) to += 1;
    const basis = { readings: readings.slice(from, to), slow, count: to };
    evidence = resumeEvidence(evidence, basis);
  }
  return evidence?.log ?? [];
}
