import { applySchool } from '../review/schools/apply-school';
import {
  UNCURED_SMOKE_FROM_C,
  type ProgramStage,
  type Recipe,
  type RoutedRecipe,
} from '../recipe/recipe';
import { routed, withRoute } from '../route/adapter';
import { withChill, withProgram, withStep } from '../route/edit';
import { runStepsOf } from '../route/read';
import { fermentedRecipe, testRecipe } from './recipe';

const HOUR = 3600;
const DAY = 24 * HOUR;

/** Fermented, cold-smoked, dried, never cooked. */
export function driedRecipe(): Recipe {
  const plain = applySchool(fermentedRecipe(), 'order', 'ferment_smoke_dry');
  return withProgram({ ...plain, name: 'Dry test stick' }, [
    {
      id: 'ferment',
      name: 'Ferment',
      kind: 'ferment',
      airC: 24,
      rh: 0.92,
      smoke: false,
      plannedS: 2 * DAY,
    },
    { id: 'smoke', name: 'Cold smoke', kind: 'smoke', airC: 22, smoke: true, plannedS: 8 * HOUR },
    { id: 'dry', name: 'Dry', kind: 'hang', airC: 14, rh: 0.78, smoke: false, plannedS: 20 * DAY },
  ]);
}

/** Raw, uncured, to be cooked before it is eaten; never hung. */
export function rawRecipe(end: 'chilled' | 'frozen'): RoutedRecipe {
  const bare = routed({ ...testRecipe(), name: 'Raw test link', cure: null });
  const run = new Set(runStepsOf(bare.route));
  const never = ['pull', 'ice_bath', 'cooler', 'bloom', 'surface_dry', 'cure_hold'];
  const plain = withRoute(
    bare,
    bare.route.filter((s) => !run.has(s) && !never.includes(s.kind)),
  );
  const whole = { ...plain, outcome: 'cook_before_eating' as const };
  return end === 'chilled'
    ? whole
    : { ...withStep(whole, 'freeze', { plannedS: 12 * HOUR }, []), outcome: 'cook_before_eating' };
}

/** Uncured, hot and fast, eaten hot. */
export function hotRecipe(): RoutedRecipe {
  const bare: Recipe = { ...testRecipe(), name: 'Hot test link', cure: null };
  const hot = withProgram(withChill(bare, []), [
    {
      id: 'hot',
      name: 'Hot and fast',
      kind: 'cook',
      airC: Math.max(110, UNCURED_SMOKE_FROM_C),
      smoke: true,
      plannedS: HOUR,
      endCoreC: 72,
    },
  ]);
  const served = withStep(hot, 'serve', { plannedS: HOUR }, ['bloom', 'pack']);
  const never = ['bloom', 'pack', 'cure_hold', 'surface_dry'];
  return {
    ...withRoute(
      served,
      served.route.filter((s) => !never.includes(s.kind)),
    ),
    outcome: 'eaten_hot',
  };
}

/** Poached in a water bath only, never in a house. */
export const poachedRecipe = (): RoutedRecipe =>
  withProgram({ ...testRecipe(), name: 'Poached test link' }, [
    {
      id: 'bath',
      name: 'Poach',
      kind: 'bath',
      airC: 76,
      smoke: false,
      plannedS: HOUR,
      endCoreC: 70,
    },
  ]);

/** One batter: a large casing that is smoked and finished in a bath, and a small one that is smoked to its core. */
export function partedRecipe(): RoutedRecipe {
  const base = routed({ ...testRecipe(), name: 'Two-casing test link' });
  const stuff = base.route.findIndex((s) => s.kind === 'stuff');
  const after = (stages: ProgramStage[]) =>
    withProgram(base, stages)
      .route.slice(stuff + 1)
      .filter((s) => s.kind !== 'bloom');
  const smoke = {
    name: 'Smoke',
    kind: 'smoke',
    airC: 66,
    smoke: true,
    plannedS: 2 * HOUR,
  } as const;
  return {
    ...withRoute(base, base.route.slice(0, stuff + 1)),
    parts: [
      {
        id: 'large',
        name: 'Large',
        share: 0.6,
        casing: { name: 'Beef middle', diameterMm: 55 },
        route: after([
          { id: 'smoke', ...smoke },
          {
            id: 'bath',
            name: 'Bath',
            kind: 'bath',
            airC: 77,
            smoke: false,
            plannedS: HOUR,
            endCoreC: 70,
          },
        ]),
      },
      {
        id: 'small',
        name: 'Small',
        share: 0.4,
        casing: { name: 'Sheep casing', diameterMm: 24 },
        route: after([
          { id: 'smoke', ...smoke },
          {
            id: 'hot',
            name: 'Cook',
            kind: 'cook',
            airC: 80,
            smoke: false,
            plannedS: HOUR,
            endCoreC: 70,
          },
        ]),
      },
    ],
  };
}
