import {
  READY_AHEAD_S,
  START_BACK_S,
  asPlanned,
  followRecord,
  partRecipes,
  passedSteps,
  planBackward,
  recipeBlocks,
  recipeOfRun,
  whatHolds,
  type Block,
  type Case,
  type CureHoldRuleBody,
  type Holding,
  type PlacedStep,
  type Plan,
  type Recipe,
  type Span,
  type Way,
} from '@/core';
import { attendedSpans, type Site } from '@/features/settings/service';

/** How far ahead a plan may look, s: three weeks past ready-by or now. */
const HORIZON_S = 21 * 24 * 3600;

const lengthS = (blocks: readonly Block[]) =>
  blocks.reduce((sum, b) => sum + b.pieces.reduce((s, p) => s + p.durationS, 0), 0);

/** The way of a recipe; of one with several parts that of the part that takes longest. */
const longestWay = (recipe: Recipe, holdRule: CureHoldRuleBody): Block[] =>
  partRecipes(recipe)
    .map((r) => recipeBlocks(r, holdRule))
    .reduce((a, b) => (lengthS(b) > lengthS(a) ? b : a));

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
  const working = attendedSpans(site, fromS, fromS + horizonS);
  return planBackward({
    blocks: longestWay(recipe, holdRule),
    nowS: fromS,
    readyByS: readyS,
    horizonS,
    working,
  });
}

/** What the earliest plan of a late one cannot be sooner than, in the site's working hours. */
export function holdsBack(plan: Plan, site: Site, fromS: number): Holding | null {
  const pieces = piecesOf(plan);
  const endS = pieces.at(-1)?.endS ?? fromS;
  return whatHolds(pieces, attendedSpans(site, fromS, endS), fromS);
}

export const piecesOf = (plan: Plan) =>
  plan.status === 'ok' ? plan.pieces : (plan.earliest ?? []);

/** Somebody is there around the clock. */
const always = (fromS: number, toS: number): Span[] => [{ startS: fromS, endS: toS }];

export type BatchWay = Way & {
  /** When it would be ready if somebody came outside working hours, where that helps a late batch; else null. */
  overtimeS: number | null;
  /** The plan of all batches has it, and does not hold for it any more: its record has gone past it. */
  overtaken: boolean;
};

const HELPS_S = 15 * 60;

/**
 * The way of a batch by its record: what was, what is, and what comes from here in the site's working hours.
 * @param planned its steps in the plan of all batches, where there is one: what is free of the way stands at their times
 * @param dueS when the step that goes on is forecast to end, where that is known
 */
export function wayOfBatch(
  c: Case,
  site: Site,
  dueS: number | null,
  nowS: number,
  planned: readonly PlacedStep[] = [],
): BatchWay {
  const { state } = c;
  const readyByS = Math.min(state.readyByS, nowS + START_BACK_S + READY_AHEAD_S);
  const horizonS = Math.max(0, readyByS - nowS) + HORIZON_S;
  /* A batch that waited for days may reach further than the plan of what is left. */
  const toS = nowS + 2 * horizonS;
  const input = {
    blocks: recipeBlocks(recipeOfRun(c.recipe, state), c.rules.cure_hold.body),
    passed: passedSteps(state),
    dueS,
    nowS,
    readyByS,
    horizonS,
  };
  const working = attendedSpans(site, nowS, toS);
  const own = followRecord({ ...input, working });
  const way = asPlanned(own, planned, state.readyByS);
  const overtaken = planned.length > 0 && way === own && own.pieces.length > own.settled;
  if (way.lateS === null || way.lateS <= 0) return { ...way, overtaken, overtimeS: null };
  const { readyS } = followRecord({ ...input, working: always(nowS, toS) });
  const helps = readyS !== null && way.readyS! - readyS >= HELPS_S;
  return { ...way, overtaken, overtimeS: helps ? readyS : null };
}
