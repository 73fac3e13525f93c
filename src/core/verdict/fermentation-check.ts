import { degreeHourLimit, degreeHours } from '../fermentation/degree-hours';
import type { Reading } from '../lethality/reading';
import type { FermentationRule } from '../rules/rule';
import {
  MAX_GAP_S,
  chamberLog,
  fermentStart,
  filled,
  isBelievedPh,
  phReachedS,
} from './ferment-view';
import { timeInBand } from '../cooling/time-in-band';
import { check, type Case, type Check, type Figure } from './check';

const WARM_AFTER_S = 48 * 3600;

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
    const because = once
      ? isBelievedPh(shown)
        ? 'shown_once'
        : 'meter_not_checked'
      : shown
        ? 'running'
        : 'no_ph';
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
