import type { Addition, Recipe } from '../recipe/recipe';
import { CURE_LINE, SALT_LINE } from '../formula/scale-recipe';
import { isMaking } from '../route/facts';
import { runSheet } from '../route/sheet';
import type { RouteStep } from '../recipe/step';
import type { MakingRule } from '../rules/rule';
import { CHOP_PHASES, makingLimits, warms, type ChopPhase, type StepLimits } from './limits';

/** One thing that goes in: a line of the recipe, or a portion of one. */
export type PlanAdd = {
  lineId: string;
  name: string;
  /** The nth of so many equal portions, from 1. */
  portion: [nth: number, of: number] | null;
};

/** One piece of the bench work: a step, one pass of it, or one phase of a chop. */
export type PlanRow = {
  step: RouteStep;
  /** Which pass or phase of the step, from 0. */
  pass: number;
  passes: number;
  plateMm: number | null;
  phase: ChopPhase | null;
  limits: StepLimits;
  /** The verdict asks for the temperature after it. */
  asksTemp: boolean;
  adds: PlanAdd[];
};

/** A fine plate is passed so often where the recipe names no plates. */
const FINE_PASSES = [3, 3, 3];

const platesOf = (s: RouteStep): (number | null)[] =>
  s.plates ?? (s.kind === 'grind' && s.manner === 'fine_plate' ? FINE_PASSES : [null]);

/** What is in the lean from its first chop on, where the recipe does not say. */
const FIRST: readonly Addition['kind'][] = ['phosphate'];
const LAST: readonly Addition['kind'][] = ['accelerator', 'binder'];

/** The phase that an addition goes in at: as the recipe says, else as its kind asks. */
function phaseOf(a: Addition): ChopPhase {
  const said = CHOP_PHASES.find((p) => p === a.place);
  if (said) return said;
  if (FIRST.includes(a.kind)) return 'first_chop';
  return LAST.includes(a.kind) ? 'last' : 'second_chop';
}

/** What goes in at one phase of a chop: salt and cure with the lean, water whose place is open in thirds. */
function chopAdds(recipe: Recipe, names: ReadonlySet<string>, phase: ChopPhase): PlanAdd[] {
  const nth = CHOP_PHASES.indexOf(phase) + 1;
  const own = recipe.additions.flatMap((a): PlanAdd[] => {
    if (!names.has(a.name)) return [];
    const add = { lineId: a.id, name: a.name };
    if (a.kind === 'water' && !a.place) return [{ ...add, portion: [nth, CHOP_PHASES.length] }];
    return phaseOf(a) === phase ? [{ ...add, portion: null }] : [];
  });
  return phase === 'first_chop' ? [...saltAndCure(recipe), ...own] : own;
}

const saltAndCure = (recipe: Recipe): PlanAdd[] => [
  ...(recipe.cure ? [{ lineId: CURE_LINE, name: recipe.cure.name, portion: null }] : []),
  ...(recipe.totalSaltFraction > 0 ? [{ lineId: SALT_LINE, name: 'Salt', portion: null }] : []),
];

/** Rows of one step: its passes, the phases of a chop, or itself. */
function rowsOf(
  recipe: Recipe,
  rule: MakingRule,
  step: RouteStep,
  names: ReadonlySet<string>,
  salted: boolean,
): PlanRow[] {
  const phases = step.kind === 'chop' ? CHOP_PHASES : null;
  const plates = phases ? phases.map(() => null) : platesOf(step);
  return plates.map((plateMm, pass): PlanRow => {
    const phase = phases?.[pass] ?? null;
    const last = pass === plates.length - 1;
    /* What goes in between passes does so before the second one; the rest before the first. */
    const here = recipe.additions.filter(
      (a) =>
        names.has(a.name) &&
        pass === (a.place === 'between_passes' ? Math.min(1, plates.length - 1) : 0),
    );
    const mixed: PlanAdd[] = here.flatMap((a) =>
      step.kind === 'mix' && a.kind === 'water' && !a.place
        ? [1, 2].map((n): PlanAdd => ({ lineId: a.id, name: a.name, portion: [n, 2] }))
        : [{ lineId: a.id, name: a.name, portion: null }],
    );
    return {
      step,
      pass,
      passes: plates.length,
      plateMm,
      phase,
      limits: makingLimits(recipe, rule, step, phase),
      asksTemp: step.measured === true && warms(step) && (phases === null || last),
      adds: phase
        ? chopAdds(recipe, names, phase)
        : [...(salted && pass === 0 ? saltAndCure(recipe) : []), ...mixed],
    };
  });
}

/**
 * The bench work of a recipe in order: every pass with its plate, every phase of a chop, with what goes in before it, in
 * which portions, and what it may be at. Salt and cure go in with the lean at the first chop, or where the batter is first
 * mixed; the water of a mix in halves, of a chop in thirds, where the recipe gives it no place.
 * @source usual practice of the trade, order of an emulsion and passes of a grinder
 */
export function makingPlan(recipe: Recipe, rule: MakingRule): PlanRow[] {
  const sheet = runSheet(recipe).filter(({ step }) => isMaking(step));
  const salting =
    sheet.find(({ step }) => step.kind === 'chop') ??
    sheet.find(({ step }) => step.kind === 'salt_rest') ??
    sheet.find(({ step }) => step.kind === 'mix');
  return sheet.flatMap(({ step, adds }) =>
    rowsOf(
      recipe,
      rule,
      step,
      new Set(adds.map((a) => a.name)),
      salting?.step === step && step.kind !== 'chop',
    ),
  );
}
