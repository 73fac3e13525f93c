import type { ChillMedium, Recipe, RoutedRecipe } from '../recipe/recipe';
import type { ProgramStage } from '../recipe/stage';
import { routeOf, withRoute } from './adapter';
import { chillStepsOf, runStepsOf } from './read';
import { stageAgrees, stepOfStage } from './stage-step';
import type { RouteStep, StepKind } from '../recipe/step';

/** An id that no step of the way has. */
export function freeId(route: readonly RouteStep[], wanted: string): string {
  const taken = new Set(route.map((s) => s.id));
  let id = wanted;
  for (let n = 2; taken.has(id); n += 1) id = `${wanted}-${n}`;
  return id;
}

const indexOfKind = (route: readonly RouteStep[], kinds: readonly StepKind[]) => {
  const at = route.findIndex((s) => kinds.includes(s.kind));
  return at < 0 ? route.length : at;
};

/** Right after the pull; where nothing is pulled, before it is packed. */
const afterPull = (route: readonly RouteStep[]) => {
  const at = route.findIndex((s) => s.kind === 'pull');
  return at < 0 ? indexOfKind(route, ['pack']) : at + 1;
};

/** Puts steps where others were, or at a place of their own where there were none. */
function exchanged(
  route: readonly RouteStep[],
  old: readonly RouteStep[],
  steps: readonly RouteStep[],
  place: (kept: readonly RouteStep[]) => number,
): RouteStep[] {
  const gone = new Set(old);
  const first = route.findIndex((s) => gone.has(s));
  const kept = route.filter((s) => !gone.has(s));
  const at = first < 0 ? place(kept) : first;
  return [...kept.slice(0, at), ...steps, ...kept.slice(at)];
}

/** What a step says besides being a stage: who is there, and what may wait. */
function merged(old: RouteStep | undefined, stage: ProgramStage): RouteStep {
  const step = stepOfStage(stage);
  if (!old) return step;
  const { ends: _ends, maxS: _max, climate: _climate, ...kept } = old;
  return stageAgrees(old, stage)
    ? { ...kept, ...step, kind: old.kind, ...(old.place ? { place: old.place } : {}) }
    : { ...kept, ...step };
}

/** The way with these stages as its run, in place of those that it had. */
export function withStages(
  route: readonly RouteStep[],
  stages: readonly ProgramStage[],
): RouteStep[] {
  const old = runStepsOf(route);
  const steps = stages.map((s) =>
    merged(
      old.find((x) => x.id === s.id),
      s,
    ),
  );
  return exchanged(route, old, steps, (kept) => indexOfKind(kept, ['pull', 'pack']));
}

/** The recipe with another house program. */
export const withProgram = (recipe: Recipe, stages: readonly ProgramStage[]): RoutedRecipe =>
  withRoute(recipe, withStages(routeOf(recipe), stages));

/** The recipe with another chill after its pull. */
export function withChill(
  recipe: Recipe,
  media: readonly { medium: ChillMedium; plannedS: number }[],
): RoutedRecipe {
  const route = routeOf(recipe);
  const old = chillStepsOf(route);
  const kept = route.filter((s) => !old.some((o) => o === s));
  const steps = media.map(({ medium, plannedS }, i): RouteStep => ({
    id: old[i]?.id ?? freeId(kept, `chill-${i + 1}`),
    kind: medium,
    plannedS,
  }));
  return withRoute(recipe, exchanged(route, old, steps, afterPull));
}

/** The recipe with one step of a kind as given, before the first of these kinds where it is new; null takes it out. */
export function withStep(
  recipe: Recipe,
  kind: StepKind,
  change: Partial<RouteStep> | null,
  before: readonly StepKind[],
  which: (s: RouteStep) => boolean = () => true,
): RoutedRecipe {
  const route = routeOf(recipe);
  const old = route.filter((s) => s.kind === kind && which(s));
  const at = (kept: readonly RouteStep[]) => indexOfKind(kept, before);
  if (change === null) return withRoute(recipe, exchanged(route, old, [], at));
  const base: RouteStep = old[0] ?? {
    id: freeId(route, `step-${change.manner ?? kind}`),
    kind,
    plannedS: 0,
  };
  return withRoute(recipe, exchanged(route, old, [{ ...base, ...change }], at));
}
