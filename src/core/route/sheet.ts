import { PLACES_IN_PROCESS, type PlaceInProcess, type Recipe } from '../recipe/recipe';
import { routeOf } from './adapter';
import type { RouteStep } from '../recipe/step';

/** A step with what goes in at it, and the place that the recipe gives each. */
export type SheetStep = { step: RouteStep; adds: { name: string; place: PlaceInProcess | null }[] };

type Where = (s: RouteStep) => boolean;
const fine: Where = (s) => s.kind === 'grind' && s.manner === 'fine_plate';
const coarse: Where = (s) => s.kind === 'grind' && s.manner !== 'fine_plate';
const mix: Where = (s) => s.kind === 'mix';
const chop: Where = (s) => s.kind === 'chop';

/** Steps that take an addition of a place, the fittest first. */
const WHERE: Record<PlaceInProcess, readonly Where[]> = {
  before_grinding: [coarse],
  between_passes: [fine, coarse],
  in_mix: [mix, chop, fine],
  first_chop: [chop, fine, mix],
  second_chop: [chop, fine, mix],
  last: [chop, mix, fine],
};

/** A step of no length that nobody plans is not on the sheet: a hold that the rule alone may ask for. */
const shown = (s: RouteStep) => s.kind !== 'cure_hold' || s.plannedS > 0;

/**
 * The work in order, with what is added where. An addition without a place goes in where the batter is mixed or
 * chopped; on a way that has no such step, at its first.
 */
export function runSheet(recipe: Recipe): SheetStep[] {
  const steps: SheetStep[] = routeOf(recipe)
    .filter(shown)
    .map((step) => ({ step, adds: [] }));
  const byPlace = [...recipe.additions].sort(
    (a, b) =>
      PLACES_IN_PROCESS.indexOf(a.place ?? 'in_mix') -
      PLACES_IN_PROCESS.indexOf(b.place ?? 'in_mix'),
  );
  for (const a of byPlace) {
    const fits = WHERE[a.place ?? 'in_mix'].map((w) => steps.find((s) => w(s.step)));
    (fits.find((s) => s !== undefined) ?? steps[0])?.adds.push({
      name: a.name,
      place: a.place ?? null,
    });
  }
  return steps;
}
