import { degreeHourLimit, degreeHours } from '../fermentation/degree-hours';
import type { Reading } from '../lethality/reading';
import type { FermentationRule } from '../rules/rule';
import { check, type Case, type Check, type Figure } from './check';

/** Longest silence of a chamber log that still counts as one log, s. */
const MAX_GAP_S = 4 * 3600;

/** When the fermentation began: its stage, or the run itself when it is the first. */
function fermentStart({ state }: Case): number | null {
  const stage = state.run?.stages.find((s) => state.run!.program[s.index]?.kind === 'ferment');
  return stage?.startS ?? null;
}

/** When a fermented batch leaves its fermentation: pH reached, as measured; null before. */
export function phReachedS(c: Case): number | null {
  const startS = fermentStart(c);
  if (startS === null) return null;
  const { targetPh } = c.rules.fermentation.body;
  return c.state.ph.find((p) => p.tS >= startS && p.ph <= targetPh)?.tS ?? null;
}

/** Chamber temperatures from the loggers' air channels and by hand, rising in time. */
function chamberLog(c: Case, fromS: number, toS: number): Reading[] {
  const logged = c.state.probes
    .filter((p) => p.what === 'air')
    .flatMap((p) =>
      (c.series[p.channelId] ?? []).filter((r) => r.tS >= p.fromS && r.tS <= (p.toS ?? toS)),
    );
  const hand = c.state.hand.filter((h) => h.what === 'air');
  return [...logged, ...hand.map(({ tS, tempC }) => ({ tS, tempC }))]
    .filter((r) => r.tS >= fromS && r.tS <= toS)
    .sort((a, b) => a.tS - b.tS);
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
  const limit = degreeHourLimit(body, Math.max(...log.map((r) => r.tempC)));
  figures.push(
    { name: 'degreeHours', value: sum, unit: 'count' },
    { name: 'limit', value: limit, unit: 'count' },
    { name: 'elapsedS', value: endS - startS, unit: 's' },
  );
  if (sum > limit) return check('fermentation', rule, 'fail', 'over_limit', figures);
  if (longestGapS(log, startS, endS) > MAX_GAP_S)
    return check('fermentation', rule, 'missing', 'gaps', figures);
  if (reachedS === null)
    return check(
      'fermentation',
      rule,
      'missing',
      c.state.ph.length > 0 ? 'running' : 'no_ph',
      figures,
    );
  return check('fermentation', rule, 'pass', 'reached', figures);
}
