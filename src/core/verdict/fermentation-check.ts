import { within } from '../probes/series-at';
import { degreeHourLimit, degreeHours } from '../fermentation/degree-hours';
import type { Reading } from '../lethality/reading';
import type { FermentationRule } from '../rules/rule';
import { logsOf } from './surroundings';
import { timeInBand } from '../cooling/time-in-band';
import { check, type Case, type Check, type Figure } from './check';

/** Longest silence of a chamber log that still counts as one log, s. */
const MAX_GAP_S = 4 * 3600;

/** When the fermentation began: its stage, or the run itself when it is the first. */
function fermentStart({ state }: Case): number | null {
  const stage = state.run?.stages.find((s) => state.run!.program[s.index]?.kind === 'ferment');
  return stage?.startS ?? null;
}

const APART_S = 900;
const METER_DAY_S = 24 * 3600;
const WARM_AFTER_S = 48 * 3600;

/**
 * When a fermented batch leaves its fermentation; null before. The pH counts once two readings some time apart
 * show it, or one of a meter that was checked the same day; a later one above the target opens it again.
 */
export function phReachedS(c: Case): number | null {
  const startS = fermentStart(c);
  if (startS === null) return null;
  const { targetPh, phApartS = APART_S } = c.rules.fermentation.body;
  let first: number | null = null;
  let reachedS: number | null = null;
  for (const p of c.state.ph) {
    if (p.tS < startS) continue;
    if (p.ph > targetPh) {
      first = null;
      reachedS = null;
      continue;
    }
    first ??= p.tS;
    const { meterCheckedS } = p;
    const checked =
      meterCheckedS !== null && meterCheckedS <= p.tS && p.tS - meterCheckedS <= METER_DAY_S;
    if (checked || p.tS - first >= phApartS) reachedS ??= p.tS;
  }
  return reachedS;
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
function chamberLog(c: Case, fromS: number, toS: number): Reading[] {
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

/** Seconds above the floor after the pH was reached, until the cook began or the product left the house. */
function warmAfterS(c: Case, reachedS: number, floorC: number): number {
  const run = c.state.run!;
  const cook = run.stages.find((s) => {
    const kind = run.program[s.index]?.kind;
    return s.startS >= reachedS && (kind === 'cook' || kind === 'bath');
  });
  const endS = Math.min(cook?.startS ?? Infinity, run.pulledS ?? c.nowS);
  if (endS <= reachedS) return 0;
  const log = chamberLog(c, reachedS, endS);
  return log.length === 0 ? 0 : timeInBand(filled(log, reachedS, endS), floorC, Infinity);
}

/** The log over the whole window: its ends carry the nearest reading; a long silence its warmer end. */
function filled(log: readonly Reading[], fromS: number, toS: number): Reading[] {
  const [first, last] = [log[0]!, log.at(-1)!];
  return [{ tS: fromS, tempC: first.tempC }, ...log, { tS: toS, tempC: last.tempC }];
}

function longestGapS(log: readonly Reading[], fromS: number, toS: number): number {
  const times = [fromS, ...log.map((r) => r.tS), toS];
  return Math.max(...times.slice(1).map((t, i) => t - times[i]!));
}

/**
 * Degree-hours of the chamber until the pH was reached, against the rule's limit. Over the limit fails;
 * without a pH at target, or with a chamber log that has holes, it is missing: silence proves nothing.
 */
export function checkFermentation(c: Case): Check {
  const rule = c.rules.fermentation;
  const body: FermentationRule = rule.body;
  const startS = fermentStart(c);
  if (startS === null) return check('fermentation', rule, 'missing', 'not_started');
  const reachedS = phReachedS(c);
  const endS = Math.max(startS, reachedS ?? c.nowS);
  const log = chamberLog(c, startS, endS);
  const lowest = c.state.ph.reduce((low, p) => Math.min(low, p.ph), 14);
  const figures: Figure[] = [{ name: 'targetPh', value: body.targetPh, unit: 'count' }];
  if (c.state.ph.length > 0) figures.push({ name: 'ph', value: lowest, unit: 'count' });
  if (log.length === 0) return check('fermentation', rule, 'missing', 'no_chamber_log', figures);
  const sum = degreeHours(filled(log, startS, endS), body.floorC);
  const limit = degreeHourLimit(
    body,
    log.reduce((m, r) => Math.max(m, r.tempC), -Infinity),
  );
  figures.push(
    { name: 'degreeHours', value: sum, unit: 'count' },
    { name: 'limit', value: limit, unit: 'count' },
    { name: 'elapsedS', value: endS - startS, unit: 's' },
  );
  if (sum > limit) return check('fermentation', rule, 'fail', 'over_limit', figures);
  if (longestGapS(log, startS, endS) > MAX_GAP_S)
    return check('fermentation', rule, 'missing', 'gaps', figures);
  if (reachedS === null) {
    const shown = c.state.ph.at(-1);
    const once = shown !== undefined && shown.tS >= startS && shown.ph <= body.targetPh;
    const because = once ? 'shown_once' : shown ? 'running' : 'no_ph';
    return check('fermentation', rule, 'missing', because, figures);
  }
  const afterS = warmAfterS(c, reachedS, body.floorC);
  const maxS = body.warmAfterMaxS ?? WARM_AFTER_S;
  if (afterS > maxS)
    return check('fermentation', rule, 'fail', 'warm_too_long', [
      ...figures,
      { name: 'warmAfterS', value: afterS, unit: 's' },
      { name: 'maxS', value: maxS, unit: 's' },
    ]);
  return check('fermentation', rule, 'pass', 'reached', figures);
}
