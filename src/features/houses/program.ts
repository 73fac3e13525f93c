import { runStages, type BatchState } from '@/core';
import type { Dossier } from '@/features/batches/case';

/** What surrounds a batch's product now: the stage's set point, then the chill's. */
export type Surroundings = {
  stage: string | null;
  medium: 'air' | 'bath' | 'ice_bath' | 'shower' | 'cooler';
  setC: number | null;
};

/** Usual temperatures of the chill media, °C. */
const CHILL_C = { ice_bath: 1, shower: 12, cooler: 2 } as const;

export function surroundings(state: BatchState): Surroundings {
  const chill = state.chill.at(-1);
  if (state.run?.pulledS != null) {
    return chill
      ? { stage: null, medium: chill.medium, setC: CHILL_C[chill.medium] }
      : { stage: null, medium: 'air', setC: null };
  }
  const at = runStages(state).at(-1);
  if (!at) return { stage: null, medium: 'air', setC: null };
  const medium = at.medium === 'air' ? 'air' : at.place === 'ice_bath' ? 'ice_bath' : 'bath';
  return { stage: at.stage.name, medium, setC: at.stage.airC };
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
