import type { BatchState } from '../logbook/state';
import type { ProgramStage, Recipe, StagePlace } from '../recipe/recipe';
import type { Medium } from '../heat/medium';
import { programOf } from '../route/read';
import { placeOf } from '../route/stage-step';

const MEDIUM: Record<StagePlace, Medium> = {
  house: 'air',
  oven: 'air',
  cooler: 'air',
  room: 'air',
  water_bath: 'water',
  shower: 'water',
  ice_bath: 'ice-water',
};

/** What is around the product in a place. */
export const mediumIn = (place: StagePlace): Medium => MEDIUM[place];

export type RunStage = {
  stage: ProgramStage;
  startS: number;
  place: StagePlace;
  medium: Medium;
  /** Index into the run's program; null for a stage of the batch's own after it left the load. */
  index: number | null;
};

/** Every stage that a run has begun, in time: those of the program, then those of its own. */
export function runStages(state: BatchState): RunStage[] {
  const { run } = state;
  if (!run) return [];
  const of = (stage: ProgramStage, startS: number, index: number | null): RunStage => {
    const place = placeOf(stage);
    return { stage, startS, place, medium: mediumIn(place), index };
  };
  return [
    ...run.stages.flatMap((s) => {
      const stage = run.program[s.index];
      return stage ? [of(stage, s.startS, s.index)] : [];
    }),
    ...run.moves.map((m) => of(m.stage, m.startS, null)),
  ].sort((a, b) => a.startS - b.startS);
}

/** Every stage that a batch runs or is to run: its run's, with those of its own; before it, the recipe's. */
export const runProgram = (c: { recipe: Recipe; state: BatchState }): ProgramStage[] =>
  c.state.run
    ? [...c.state.run.program, ...c.state.run.moves.map((m) => m.stage)]
    : programOf(c.recipe);

/** The stage that a batch is or was in at a time, or null before and after its run. */
export function stageAt(state: BatchState, tS: number): RunStage | null {
  if (state.run?.pulledS != null && tS > state.run.pulledS) return null;
  return runStages(state).findLast((s) => s.startS <= tS) ?? null;
}
