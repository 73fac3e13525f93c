import type { ChillMedium, Outcome, Recipe } from '../recipe/recipe';
import type { ProgramStage } from '../recipe/stage';
import { isPlanned, routeOf } from './adapter';
import { CHILL_KINDS } from './facts';
import { stageOfStep } from './stage-step';
import type { RouteStep, StepKind } from '../recipe/step';

/** What the product is when it is done. */
export const outcomeOf = (recipe: Recipe): Outcome => recipe.outcome ?? 'cooked';

/** Without a word of its own a stage is called by its kind; screens have the words of steps. */
const plainName = (kind: StepKind) =>
  `${kind.charAt(0).toUpperCase()}${kind.slice(1).replaceAll('_', ' ')}`;

const pullAt = (route: readonly RouteStep[]) => {
  const at = route.findIndex((s) => s.kind === 'pull');
  return at < 0 ? route.length : at;
};

/** The steps with set points up to the pull: the run of a house. */
export const runStepsOf = (route: readonly RouteStep[]): RouteStep[] =>
  route.slice(0, pullAt(route)).filter((s) => s.climate !== undefined);

const programs = new WeakMap<readonly RouteStep[], ProgramStage[]>();

/** The program of the run: what the house does from loading to the pull. Empty where nothing is hung. */
export function programOf(recipe: Recipe): ProgramStage[] {
  if (isPlanned(recipe)) return recipe.program;
  const read =
    programs.get(recipe.route) ??
    runStepsOf(recipe.route).map((s) => stageOfStep(s, plainName(s.kind)));
  programs.set(recipe.route, read);
  return read;
}

/** The first step of a kind. */
export const stepOf = (recipe: Recipe, kind: StepKind): RouteStep | undefined =>
  routeOf(recipe).find((s) => s.kind === kind);

/** How long all steps of a kind are planned, s; 0 where the way has none. */
export const plannedS = (recipe: Recipe, kind: StepKind): number =>
  routeOf(recipe).reduce((sum, s) => sum + (s.kind === kind ? s.plannedS : 0), 0);

/** Shortest and longest cure hold, s; a recipe that plans none sets no limit. */
export function holdOf(recipe: Recipe): { minS: number; maxS: number } {
  if (isPlanned(recipe)) {
    const { cureHoldMinS: minS, cureHoldMaxS: maxS } = recipe.process;
    return { minS, maxS: maxS > 0 ? maxS : Infinity };
  }
  const hold = stepOf(recipe, 'cure_hold');
  return { minS: hold?.minS ?? hold?.plannedS ?? 0, maxS: hold?.maxS ?? Infinity };
}

/** Is it a chill without set points: an ice bath, a shower, a cooler? */
export const isChillStep = (s: RouteStep): s is RouteStep & { kind: ChillMedium } =>
  CHILL_KINDS.some((k) => k === s.kind) && s.climate === undefined;

/** The chill after the pull, in order. */
export function chillStepsOf(route: readonly RouteStep[]): (RouteStep & { kind: ChillMedium })[] {
  return route.slice(pullAt(route)).filter(isChillStep);
}

/** The chill after the pull as media with their planned times, s. */
export const chillOf = (recipe: Recipe): { medium: ChillMedium; plannedS: number }[] =>
  chillStepsOf(routeOf(recipe)).map((s) => ({ medium: s.kind, plannedS: s.plannedS }));

/** Drying that comes after the pull, in a place of its own. */
export const laterDrying = (recipe: Recipe): RouteStep | undefined => {
  const route = routeOf(recipe);
  return route.slice(pullAt(route)).find((s) => s.kind === 'dry');
};

/** Is the product frozen at the end of its way? */
export const freezes = (recipe: Recipe): boolean => stepOf(recipe, 'freeze') !== undefined;
