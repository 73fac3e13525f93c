import type { PlannedRecipe, Recipe, RoutedRecipe } from '../recipe/recipe';
import { makingOf } from './making';
import { stepOfStage } from './stage-step';
import type { RouteStep, StepKind } from '../recipe/step';

/** Old recipes: cold product hung before it blooms may wait so long, s. Usual. */
const CHILLED_WAIT_S = 48 * 3600;

/** The stages and times of an old recipe as one list of steps. */
function fromPlanned(recipe: PlannedRecipe): RouteStep[] {
  const { process: p, program, cure, fermentation } = recipe;
  const taken = new Set(program.map((s) => s.id));
  const own = (wanted: string): string => {
    let id = wanted;
    while (taken.has(id)) id = `${id}-`;
    taken.add(id);
    return id;
  };
  const step = (kind: StepKind, plannedS: number, more: Partial<RouteStep> = {}): RouteStep => ({
    id: own(`step-${more.manner ?? kind}`),
    kind,
    plannedS,
    ...more,
  });
  const raw = makingOf(recipe.schools ?? {}).map(([kind, manner]) =>
    step(kind, manner === 'prepare' ? p.prepareS : 0, manner && { manner }),
  );
  const holds = cure !== null || p.cureHoldMinS > 0;
  if (!holds) raw.at(-1)!.waitS = p.cureHoldMaxS;
  const dry = p.surfaceDryS > 0 ? [step('surface_dry', p.surfaceDryS)] : [];
  const chill = p.chill.map((c) => step(c.medium, c.plannedS));
  if (chill.length > 0) chill.at(-1)!.waitS = CHILLED_WAIT_S;
  return [
    ...raw,
    ...(holds
      ? [
          step('cure_hold', p.cureHoldMinS, {
            minS: p.cureHoldMinS,
            /* 0 was how an old recipe said that it sets no limit. */
            ...(p.cureHoldMaxS > 0 ? { maxS: p.cureHoldMaxS } : {}),
          }),
        ]
      : []),
    step('stuff', p.stuffS),
    ...(fermentation ? [step('other', 0, { manner: 'test_piece' })] : []),
    ...dry,
    ...program.map(stepOfStage),
    step('pull', p.pullS),
    ...chill,
    ...(p.bloomS > 0 ? [step('bloom', p.bloomS)] : []),
    step('pack', p.packS),
  ];
}

const known = new WeakMap<PlannedRecipe, readonly RouteStep[]>();

/** Was the recipe written before there were routes? */
export const isPlanned = (recipe: Recipe): recipe is PlannedRecipe => !('route' in recipe);

/**
 * The way of a product as one list of steps, whichever form its recipe was written in. The only place, with
 * {@link programOf} beside it, that knows the old form.
 */
export function routeOf(recipe: Recipe): readonly RouteStep[] {
  if (!isPlanned(recipe)) return recipe.route;
  const read = known.get(recipe) ?? fromPlanned(recipe);
  known.set(recipe, read);
  return read;
}

/** The recipe with another way; whatever form it had, it has a route then. */
export function withRoute(recipe: Recipe, route: readonly RouteStep[]): RoutedRecipe {
  if (!isPlanned(recipe)) return { ...recipe, route: [...route] };
  const { program: _program, process: _process, ...body } = recipe;
  return { ...body, route: [...route] };
}

/** The recipe in today's form. */
export const routed = (recipe: Recipe): RoutedRecipe =>
  isPlanned(recipe) ? withRoute(recipe, routeOf(recipe)) : recipe;
