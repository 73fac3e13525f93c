import type { BatchState, Recipe } from '@/core';
import type { Dossier } from '@/features/batches/case';

/** What surrounds a batch's product now: the stage's set point, then the chill's. */
export type Surroundings = {
  stage: string | null;
  medium: 'air' | 'bath' | 'ice_bath' | 'shower' | 'cooler';
  setC: number | null;
};

/** Usual temperatures of the chill media, °C. */
const CHILL_C = { ice_bath: 1, shower: 12, cooler: 2 } as const;

export function surroundings(recipe: Recipe, state: BatchState): Surroundings {
  const chill = state.chill.at(-1);
  if (state.run?.pulledS != null) {
    return chill
      ? { stage: null, medium: chill.medium, setC: CHILL_C[chill.medium] }
      : { stage: null, medium: 'air', setC: null };
  }
  const at = state.run?.stages.at(-1);
  const stage = at && recipe.program[at.index];
  if (!stage) return { stage: null, medium: 'air', setC: null };
  return { stage: stage.name, medium: stage.kind === 'bath' ? 'bath' : 'air', setC: stage.airC };
}

/** The batch that a house is working on: in it now, or last pulled and still chilling. */
export function batchInHouse(dossiers: readonly Dossier[], houseId: string): Dossier | null {
  const here = dossiers.filter((d) => d.case.state.run?.houseId === houseId);
  return (
    here.find((d) => d.case.state.phase === 'in_house') ??
    here.findLast((d) => d.case.state.phase === 'chilling') ??
    null
  );
}
