import { within } from '../probes/series-at';
import type { Reading } from '../lethality/reading';
import type { PhTaken } from '../logbook/kinds/acidity';
import { logsOf } from './surroundings';
import type { Case } from './check';

/** Longest silence of a chamber log that still counts as one log, s. */
export const MAX_GAP_S = 4 * 3600;

/** When the fermentation began: its stage, or the run itself when it is the first. */
export function fermentStart({ state }: Case): number | null {
  const stage = state.run?.stages.find((s) => state.run!.program[s.index]?.kind === 'ferment');
  return stage?.startS ?? null;
}

const APART_S = 900;
/** A check of a meter in its buffers counts for so long, s. */
export const METER_DAY_S = 24 * 3600;

/** Whether a pH counts at all: a meter of the site does only by its check of the day. */
export const isBelievedPh = (p: PhTaken): boolean =>
  !p.doubted && (p.meter === null || isCheckedPh(p));

/** Whether another meter showed about the same time that a pH is not there yet: of two that differ the higher counts. */
const speaksAgainst = (other: PhTaken, p: PhTaken, targetPh: number): boolean =>
  other.meter !== null &&
  p.meter !== null &&
  other.meter.id !== p.meter.id &&
  other.ph > targetPh &&
  Math.abs(other.tS - p.tS) <= APART_S;

/**
 * When a fermented batch has come to a pH, the rule's where none is named; null before. The pH counts once two readings some time apart
 * show it, or one of a meter that was checked the same day; a later one above the target opens it again.
 */
export function phReachedS(c: Case, targetPh = c.rules.fermentation.body.targetPh): number | null {
  const startS = fermentStart(c);
  if (startS === null) return null;
  const { phApartS = APART_S } = c.rules.fermentation.body;
  let first: number | null = null;
  let reachedS: number | null = null;
  for (const p of c.state.ph) {
    if (p.tS < startS) continue;
    if (p.ph > targetPh) {
      first = null;
      reachedS = null;
      continue;
    }
    if (!isBelievedPh(p) || c.state.ph.some((q) => speaksAgainst(q, p, targetPh))) continue;
    first ??= p.tS;
    if (isCheckedPh(p) || p.tS - first >= phApartS) reachedS ??= p.tS;
  }
  return reachedS;
}

/** Whether a pH was read with a meter that was checked in its buffers the same day, and that was not found wrong since. */
export const isCheckedPh = (p: PhTaken): boolean =>
  !p.doubted &&
  p.meterCheckedS !== null &&
  p.meterCheckedS <= p.tS &&
  p.tS - p.meterCheckedS <= METER_DAY_S;

/** Lowest pH that the readings of a ferment show, by {@link phReachedS}; null while they show none. */
export function creditedPh(c: Case): number | null {
  const shown = c.state.ph.map((p) => p.ph).filter((ph) => phReachedS(c, ph) !== null);
  return shown.length > 0 ? Math.min(...shown) : null;
}

/** Value of a log at a time on straight lines between readings; null outside of it and in a long silence. */
function valueAt(log: readonly Reading[], tS: number): number | null {
  const i = log.findIndex((r) => r.tS >= tS);
  const [a, b] = [log[i - 1], log[i]];
  if (!b) return null;
  if (b.tS === tS) return b.tempC;
  if (!a || b.tS - a.tS > MAX_GAP_S) return null;
  return a.tempC + ((tS - a.tS) / (b.tS - a.tS)) * (b.tempC - a.tempC);
}

/** Points a chamber log keeps: degree-hours of a day need no more. */
const MOST_POINTS = 400;

/** The chamber as its warmest channel says at each time, by logger and by hand; never an average. */
export function chamberLog(c: Case, fromS: number, toS: number): Reading[] {
  const logs = logsOf(c, 'air')
    .map((l) => within(l, fromS, toS))
    .filter((l) => l.length > 0)
    .map((l) => warmestOf(l, MOST_POINTS));
  const times = [...new Set(logs.flatMap((l) => l.map((r) => r.tS)))].sort((a, b) => a - b);
  return times.map((tS) => ({
    tS,
    tempC: Math.max(...logs.map((l) => valueAt(l, tS) ?? -Infinity)),
  }));
}

/** A long log reduced to the warmest reading of each of `most` cuts: never colder than it was. */
function warmestOf(log: readonly Reading[], most: number): readonly Reading[] {
  if (log.length <= most) return log;
  const cuts = Math.floor(most / 2);
  const out: Reading[] = [];
  for (let k = 0; k < cuts; k += 1) {
    const part = log.slice(
      Math.floor((k * log.length) / cuts),
      Math.floor(((k + 1) * log.length) / cuts),
    );
    const tempC = part.reduce((m, r) => Math.max(m, r.tempC), -Infinity);
    out.push({ tS: part[0]!.tS, tempC }, { tS: part.at(-1)!.tS, tempC });
  }
  return out;
}

/** The log over the whole window: its ends carry the nearest reading; a long silence its warmer end. */
export function filled(log: readonly Reading[], fromS: number, toS: number): Reading[] {
  const [first, last] = [log[0]!, log.at(-1)!];
  return [{ tS: fromS, tempC: first.tempC }, ...log, { tS: toS, tempC: last.tempC }];
}
