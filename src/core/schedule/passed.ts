import { CURE_LINE } from '../formula/scale-recipe';
import type { Recipe } from '../recipe/recipe';
import { runStages } from '../run/run-stage';
import type { BatchState } from '../logbook/state';
import { routeOf, withRoute } from '../route/adapter';
import { withStages } from '../route/edit';
import { chillStepsOf } from '../route/read';
import type { RouteStep } from '../recipe/step';

/** A step that the record has: from when to when; `endS` null while it goes on. */
export type Passed = { key: string; startS: number; endS: number | null };

function weighedS(state: BatchState): number | null {
  const cureS = state.weighed[CURE_LINE]?.atS;
  const times = Object.values(state.weighed).map((w) => w.atS);
  if (state.meatG === null || times.length === 0) return null;
  return Math.max(...times, state.cureCheck?.atS ?? cureS ?? 0);
}

/** When work on a batch was first recorded, epoch s; null while there is nothing but its start. */
function firstWorkS(state: BatchState): number | null {
  const { given, steps, ticks, batter, cultures, freshParts, hold, run } = state;
  const done = [...Object.values(steps), ...ticks, ...Object.values(freshParts)];
  const begun = [...Object.values(cultures), ...(hold ? [hold] : []), ...(run ? [run] : [])];
  const times = [
    ...given.map((g) => g.weighing.atS),
    ...batter.map((b) => b.tS),
    ...done.map((d) => d.atS),
    ...begun.map((b) => b.startS),
  ];
  return times.length > 0 ? Math.min(...times) : null;
}

/**
 * Preparing begins with the first work that is recorded: a batch that is started in the evening is prepared when people
 * are there, as the page said on which it was started. It ends with what comes after it: the hold, the filling, or the
 * last weighing where making goes on.
 */
function prepared(state: BatchState): Passed[] {
  const startS = firstWorkS(state);
  if (startS === null) return [];
  const afterS = state.hold?.startS ?? state.steps.stuff?.atS ?? state.run?.startS ?? null;
  const doneS = state.phase === 'making' ? weighedS(state) : afterS;
  return [{ key: 'prepare', startS, endS: afterS ?? doneS }];
}

/** What a run has been through: every stage with its end, the pull, and the chill until the batch was packed. */
function housed(state: BatchState): Passed[] {
  const { run, chill, steps } = state;
  if (!run) return [];
  const stages = runStages(state);
  const out: Passed[] = [{ key: 'load', startS: run.startS, endS: run.startS }];
  stages.forEach((s, i) =>
    out.push({
      key: `stage:${s.stage.id}`,
      startS: s.startS,
      endS: stages[i + 1]?.startS ?? run.pulledS,
    }),
  );
  if (run.pulledS === null) return out;
  out.push({ key: 'pull', startS: run.pulledS, endS: chill[0]?.startS ?? run.pulledS });
  const coldS = state.drying?.startS ?? steps.bloom?.atS ?? steps.pack?.atS ?? null;
  chill.forEach((c, i) =>
    out.push({ key: `chill:${c.medium}`, startS: c.startS, endS: chill[i + 1]?.startS ?? coldS }),
  );
  return out;
}

/** Drying in a place of its own, freezing, serving, and the steps that were ticked off. */
function afterwards({ drying, steps, served, ticked }: BatchState): Passed[] {
  const once = (key: string, atS: number): Passed => ({ key, startS: atS, endS: atS });
  const dryS = steps.bloom?.atS ?? steps.pack?.atS ?? null;
  return [
    ...(drying ? [{ key: 'dry', startS: drying.startS, endS: dryS }] : []),
    ...(steps.freeze ? [once('freeze', steps.freeze.atS)] : []),
    ...(served ? [once('serve', served.atS)] : []),
    ...Object.entries(ticked).map(([id, t]) => once(`step:${id}`, t.atS)),
  ];
}

/**
 * What of the way lies behind a batch by its record, in order. The keys are those of {@link recipeBlocks}. A step that
 * nobody records by itself ends with the next one that somebody did.
 */
export function passedSteps(state: BatchState): Passed[] {
  const { hold, steps, run } = state;
  if (state.startedS === 0) return [];
  const out = prepared(state);
  if (hold) {
    const afterS = steps.stuff?.atS ?? run?.startS ?? null;
    out.push({ key: 'cure_hold', startS: hold.startS, endS: hold.endS ?? afterS });
  }
  if (steps.stuff)
    out.push({ key: 'stuff', startS: hold?.endS ?? steps.stuff.atS, endS: steps.stuff.atS });
  const driedS = steps.surface_dry?.atS;
  if (driedS !== undefined && (!run || driedS <= run.startS))
    out.push({ key: 'surface_dry', startS: steps.stuff?.atS ?? driedS, endS: driedS });
  out.push(...housed(state));
  out.push(...afterwards(state));
  if (steps.bloom)
    out.push({ key: 'bloom', startS: steps.bloom.atS, endS: steps.pack?.atS ?? null });
  if (steps.pack) out.push({ key: 'pack', startS: steps.pack.atS, endS: steps.pack.atS });
  return out;
}

/** A chill that the recipe does not plan takes about so long, s. */
const USUAL_CHILL_S = 3600;

/**
 * The way that this batch went and goes: the stages of its run, and after a move those of its own, in place of the
 * recipe's; the chills that were begun in place of those planned.
 */
function routeOfRun(recipe: Recipe, state: BatchState): readonly RouteStep[] {
  const { run } = state;
  const route = routeOf(recipe);
  if (!run) return route;
  const begun = runStages(state);
  const here = begun.at(-1);
  const ahead =
    run.moves.length > 0 || run.pulledS !== null
      ? []
      : run.program.slice((here?.index ?? run.program.length - 1) + 1);
  const stages = [...begun.map((s) => s.stage), ...ahead];
  return withBegunChill(withStages(route, stages), state);
}

/** A chill that was begun leaves those planned before it behind, whether they were done or not. */
function withBegunChill(route: RouteStep[], state: BatchState): RouteStep[] {
  const last = state.chill.at(-1)?.medium;
  if (last === undefined) return route;
  const planned = chillStepsOf(route);
  const at = planned.findIndex((p) => p.kind === last);
  const begun = state.chill.map(({ medium }, i): RouteStep => {
    const step = planned.find((p) => p.kind === medium);
    return { id: `chill-${i}`, kind: medium, plannedS: step?.plannedS ?? USUAL_CHILL_S };
  });
  const drop = new Set<RouteStep>(planned.slice(0, at + 1 || planned.length));
  const from = planned.length > 0 ? route.indexOf(planned[0]!) : afterPull(route);
  const kept = route.filter((s) => !drop.has(s));
  return [...kept.slice(0, from), ...begun, ...kept.slice(from)];
}

const afterPull = (route: readonly RouteStep[]) => route.findIndex((s) => s.kind === 'pull') + 1;

/** The recipe with the way that this batch went and goes, in place of the one that was planned. */
export const recipeOfRun = (recipe: Recipe, state: BatchState): Recipe =>
  state.run || state.chill.length > 0 ? withRoute(recipe, routeOfRun(recipe, state)) : recipe;
