import {
  planBackward,
  recipeBlocks,
  workingSpans,
  type Case,
  type CureHoldRuleBody,
  type Plan,
  type Recipe,
} from '@/core';
import { READY_AHEAD_S, START_BACK_S } from './time-range';
import type { Site } from '@/features/settings/repository';

/** How far ahead a plan may look, s: three weeks past ready-by or now. */
const HORIZON_S = 21 * 24 * 3600;

/** The plan of a recipe for a ready-by time in the site's working hours; a ready-by beyond all range is one at its end. */
export function planBatch(
  recipe: Recipe,
  holdRule: CureHoldRuleBody,
  site: Site,
  fromS: number,
  readyByS: number,
): Plan {
  const readyS = Math.min(readyByS, fromS + START_BACK_S + READY_AHEAD_S);
  const horizonS = Math.max(0, readyS - fromS) + HORIZON_S;
  const working = workingSpans(site.workingHours, site.timeZone, fromS, fromS + horizonS);
  return planBackward({
    blocks: recipeBlocks(recipe, holdRule),
    nowS: fromS,
    readyByS: readyS,
    horizonS,
    working,
  });
}

export const piecesOf = (plan: Plan) =>
  plan.status === 'ok' ? plan.pieces : (plan.earliest ?? []);

/** The plan of a batch as it was started: from its start to its ready-by. */
export function planOfBatch(c: Case, site: Site): Plan {
  return planBatch(c.recipe, c.rules.cure_hold.body, site, c.state.startedS, c.state.readyByS);
}
