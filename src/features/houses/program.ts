import { chillStage, placeNow, runStages, type BatchState } from '@/core';
import type { Standing } from '@/features/logbook/service';

/** What surrounds a batch's product now: the stage's set point, then the chill's. */
export type Surroundings = {
  stage: string | null;
  medium: 'air' | 'bath' | 'ice_bath' | 'shower' | 'cooler';
  setC: number | null;
};

export function surroundings(state: BatchState): Surroundings {
  const chill = state.chill.at(-1);
  if (state.run?.pulledS != null) {
    return chill
      ? { stage: null, medium: chill.medium, setC: chillStage(chill.medium, 0).airC }
      : { stage: null, medium: 'air', setC: null };
  }
  const at = runStages(state).at(-1);
  if (!at) return { stage: null, medium: 'air', setC: null };
  const medium = at.medium === 'air' ? 'air' : at.place === 'ice_bath' ? 'ice_bath' : 'bath';
  return { stage: at.stage.name, medium, setC: at.stage.airC };
}

/** Is a batch in this place of the site, or was it there last? */
export const isAt = ({ case: { state } }: Standing, houseId: string): boolean =>
  state.run !== null && placeNow(state.run) === houseId;

/**
 * The batch that a house is working on: hanging in it now, else out of the load for a stage of its own,
 * else last pulled and still chilling.
 */
export function batchInHouse<T extends Standing>(batches: readonly T[], houseId: string): T | null {
  const here = batches.filter((d) => isAt(d, houseId));
  const inside = here.filter((d) => d.case.state.phase === 'in_house');
  return (
    inside.find((d) => d.case.state.run!.moves.length === 0) ??
    inside[0] ??
    here.findLast((d) => d.case.state.phase === 'chilling') ??
    null
  );
}
