import { hasPoultry, type PlaceInProcess, type Recipe } from '../recipe/recipe';
import { outcomeOf, programOf } from '../route/read';
import { routeOf } from '../route/adapter';
import type { RouteStep } from '../recipe/step';
import type { MakingRule } from '../rules/rule';

/** Kinds of products by what warmth does to them while they are made. */
export type MakingClass = 'coarse' | 'fine_dry' | 'emulsion';

/** What one step of the bench work may be at, °C; null where there is no such limit. */
export type StepLimits = {
  /** Too warm to begin, and too hard to. */
  beforeC: number | null;
  tooHardC: number;
  /** What it is to come out at, at most. */
  outC: number | null;
  /** Above this it does not go on without a chill. */
  stopC: number | null;
  /** What goes in does so from here on. */
  fromC: number | null;
};

/** The phases of a chop, in order: the places of additions that go in at them. */
export const CHOP_PHASES = [
  'first_chop',
  'second_chop',
  'last',
] as const satisfies readonly PlaceInProcess[];
export type ChopPhase = (typeof CHOP_PHASES)[number];

/** The class of a recipe: chopped fine, fermented or dried, or anything else. */
export function makingClassOf(recipe: Recipe): MakingClass {
  if (routeOf(recipe).some((s) => s.kind === 'chop')) return 'emulsion';
  const slow = outcomeOf(recipe) === 'dried' || programOf(recipe).some((s) => s.kind === 'ferment');
  return slow ? 'fine_dry' : 'coarse';
}

/** Steps that warm the meat, so that it is measured before and after. */
export const warms = ({ kind }: Pick<RouteStep, 'kind'>): boolean =>
  kind === 'grind' || kind === 'mix' || kind === 'chop';

function chopLimits(recipe: Recipe, rule: MakingRule, phase: ChopPhase): StepLimits {
  const { leanC, binderFromC, endC, poultryEndC, stopC, poultryStopC } = rule.emulsion;
  const bird = hasPoultry(recipe);
  const most = bird ? poultryEndC : endC;
  const first = phase === 'first_chop';
  return {
    beforeC: null,
    tooHardC: rule.tooHardC,
    outC: first ? Math.min(leanC, most) : most,
    stopC: bird ? poultryStopC : stopC,
    fromC: phase === 'last' ? binderFromC : null,
  };
}

/**
 * What a step of the bench work may be at, by the class of the product and the site's rule. An emulsion is ground like a
 * coarse product, and has its own ceilings from the chop on, by phase.
 */
export function makingLimits(
  recipe: Recipe,
  rule: MakingRule,
  step: Pick<RouteStep, 'kind' | 'manner'>,
  phase: ChopPhase | null = null,
): StepLimits {
  const { tooHardC } = rule;
  const of = makingClassOf(recipe);
  if (of === 'emulsion' && step.kind === 'chop') return chopLimits(recipe, rule, phase ?? 'last');
  const { startC, outC, stopC } = of === 'fine_dry' ? rule.fineDry : rule.coarse;
  /* What comes after a chop is an emulsion already. */
  const grind = step.kind === 'grind';
  if (of === 'emulsion' && !grind) return chopLimits(recipe, rule, 'last');
  return {
    beforeC: grind ? startC : null,
    tooHardC,
    outC: warms(step) ? outC : null,
    stopC: warms(step) ? stopC : null,
    fromC: null,
  };
}
