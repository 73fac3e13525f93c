import { CURE_LINE } from '../formula/scale-recipe';
import type { Recipe } from '../formula/recipe';
import { runStages } from '../house/run-stage';
import type { BatchState } from '../logbook/state';

/** A step that the record has: from when to when; `endS` null while it goes on. */
export type Passed = { key: string; startS: number; endS: number | null };

function weighedS(state: BatchState): number | null {
  const cureS = state.weighed[CURE_LINE]?.atS;
  const times = Object.values(state.weighed).map((w) => w.atS);
  if (state.meatG === null || times.length === 0) return null;
  return Math.max(...times, state.cureCheck?.atS ?? cureS ?? 0);
}

/** Preparing ends with what comes after it: the hold, the filling, or the last weighing where making goes on. */
function prepared(state: BatchState): Passed[] {
  const afterS = state.hold?.startS ?? state.steps.stuff?.atS ?? state.run?.startS ?? null;
  const doneS = state.phase === 'making' ? weighedS(state) : afterS;
  return [{ key: 'prepare', startS: state.startedS, endS: afterS ?? doneS }];
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
  const coldS = steps.bloom?.atS ?? steps.pack?.atS ?? null;
  chill.forEach((c, i) =>
    out.push({ key: `chill:${c.medium}`, startS: c.startS, endS: chill[i + 1]?.startS ?? coldS }),
  );
  return out;
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
  if (steps.bloom)
    out.push({ key: 'bloom', startS: steps.bloom.atS, endS: steps.pack?.atS ?? null });
  if (steps.pack) out.push({ key: 'pack', startS: steps.pack.atS, endS: steps.pack.atS });
  return out;
}

/** A chill that the recipe does not plan takes about so long, s. */
const USUAL_CHILL_S = 3600;

/** The recipe with the stages that this batch went and goes through: those of its run, and after a move its own. */
export function recipeOfRun(recipe: Recipe, state: BatchState): Recipe {
  const { run } = state;
  if (!run) return recipe;
  const begun = runStages(state);
  const here = begun.at(-1);
  const ahead =
    run.moves.length > 0 || run.pulledS !== null
      ? []
      : run.program.slice((here?.index ?? run.program.length - 1) + 1);
  /* A chill that was begun leaves those planned before it behind, whether they were done or not. */
  const planned = recipe.process.chill;
  const last = state.chill.at(-1)?.medium;
  const at = planned.findIndex((p) => p.medium === last);
  const begunChill = state.chill.map(({ medium }) => ({
    medium,
    plannedS: planned.find((p) => p.medium === medium)?.plannedS ?? USUAL_CHILL_S,
  }));
  const chill =
    last === undefined ? planned : [...begunChill, ...planned.slice(at + 1 || planned.length)];
  return {
    ...recipe,
    program: [...begun.map((s) => s.stage), ...ahead],
    process: { ...recipe.process, chill },
  };
}
