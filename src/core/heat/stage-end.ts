import { QuantityError, requireBetween, requireNonNegative, requirePositive } from '../guard';
import { TACKY_WETNESS } from './surface';

/** What ends a stage. Several are joined by whichever comes first (`any`) or by `all`. */
export type StageEnd = {
  /** Seconds into the stage. */
  endS?: number;
  /** Core, °C: from below, in a cold medium from above. */
  endCoreC?: number;
  /** Decimal reductions gained since the run began. */
  endLogs?: number;
  /** Weight lost since the run began, 0-1. */
  endLossFraction?: number;
  /** Surface dry and tacky: a hand decides in a real house, the model says about when. */
  endDry?: boolean;
  join?: 'any' | 'all';
  /** Longest that the stage may take, s, whatever else. */
  maxS?: number;
};

export type EndReason = 'time' | 'core' | 'logs' | 'loss' | 'dry' | 'all' | 'max';

/** Stages that name neither a duration nor a longest time end after this, s. */
export const LONGEST_STAGE_S = 72 * 3600;

/** How a run stands when an end is asked for. */
export type RunStand = {
  elapsedS: number;
  coreC: number;
  logs: number;
  lossFraction: number;
  wetness: number;
};

export type EndCheck = {
  /** Why the stage ends now, or null. */
  reason: (now: RunStand) => EndReason | null;
  /** Time at which it ends at the latest by a duration alone, s into the stage. */
  latestS: number;
};

/** Media colder than this chill, °C: a warm house below its core target only fails to reach it. */
const CHILLS_BELOW_C = 30;

/**
 * Is a core target in this medium waited for from above, as in a chill?
 * @param mediumC, targetC °C
 */
export const waitedFromAbove = (mediumC: number, targetC: number) =>
  mediumC < targetC && mediumC < CHILLS_BELOW_C;

const SLACK_S = 1e-6;
const HAIR_C = 1e-9;

/** @throws RangeError naming the field */
function requireEnd(end: StageEnd, at: string): void {
  if (end.endS !== undefined) requireNonNegative(`${at}.endS`, end.endS);
  if (end.endCoreC !== undefined) requireBetween(`${at}.endCoreC`, end.endCoreC, -30, 130);
  if (end.endLogs !== undefined) requirePositive(`${at}.endLogs`, end.endLogs);
  if (end.endLossFraction !== undefined)
    requireBetween(`${at}.endLossFraction`, end.endLossFraction, 0, 0.9);
  if (end.maxS !== undefined) requirePositive(`${at}.maxS`, end.maxS);
  if (end.endS !== undefined && end.endS > 366 * 86_400)
    throw new QuantityError(`${at}.endS`, end.endS, 'at most a year');
}

/**
 * The end of a stage as a question that can be asked at every moment.
 * @param mediumC what the stage sets around the product, °C
 */
export function stageEnd(end: StageEnd, mediumC: number, at = 'stage'): EndCheck {
  requireEnd(end, at);
  const { endS, endCoreC, endLogs, endLossFraction, endDry } = end;
  const cooling = endCoreC !== undefined && waitedFromAbove(mediumC, endCoreC);
  const tests: [EndReason, (n: RunStand) => boolean][] = [];
  if (endS !== undefined) tests.push(['time', (n) => n.elapsedS >= endS - SLACK_S]);
  if (endCoreC !== undefined)
    tests.push([
      'core',
      cooling ? (n) => n.coreC <= endCoreC + HAIR_C : (n) => n.coreC >= endCoreC - HAIR_C,
    ]);
  if (endLogs !== undefined) tests.push(['logs', (n) => n.logs >= endLogs]);
  if (endLossFraction !== undefined) tests.push(['loss', (n) => n.lossFraction >= endLossFraction]);
  if (endDry) tests.push(['dry', (n) => n.wetness <= TACKY_WETNESS]);
  const longest =
    end.maxS ??
    (endS === undefined || tests.length > 1 ? Math.max(LONGEST_STAGE_S, endS ?? 0) : endS);
  const all = end.join === 'all' && tests.length > 1;
  const latestS = all || endS === undefined ? longest : Math.min(endS, longest);
  return {
    latestS,
    reason: (now) => {
      if (all && tests.every(([, met]) => met(now))) return 'all';
      const first = all ? undefined : tests.find(([, met]) => met(now));
      if (first) return first[0];
      return now.elapsedS >= longest - SLACK_S ? 'max' : null;
    },
  };
}
