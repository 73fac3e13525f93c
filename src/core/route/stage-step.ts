import type { ProgramStage, StageKind, StagePlace } from '../recipe/stage';
import { placeOfStep } from './facts';
import type { RouteStep, StepKind, StepPlace } from '../recipe/step';

/** Where a stage happens. */
export const placeOf = (stage: Pick<ProgramStage, 'kind' | 'place'>): StagePlace =>
  stage.place ?? (stage.kind === 'bath' ? 'water_bath' : 'house');

const STEP_OF: Record<Exclude<StageKind, 'chill'>, StepKind> = {
  rest: 'rest',
  dry: 'surface_dry',
  smoke: 'smoke',
  cook: 'cook',
  bath: 'bath',
  ferment: 'ferment',
  hang: 'dry',
};

const STAGE_OF: Partial<Record<StepKind, StageKind>> = {
  rest: 'rest',
  surface_dry: 'dry',
  smoke: 'smoke',
  cook: 'cook',
  oven: 'cook',
  bath: 'bath',
  ferment: 'ferment',
  dry: 'hang',
  cooler: 'chill',
  shower: 'chill',
  ice_bath: 'chill',
};

/** A house, a chamber and a drying room are one to a program: the place that it runs in. */
const STAGE_PLACE: Record<StepPlace, StagePlace> = {
  bench: 'room',
  house: 'house',
  chamber: 'house',
  drying_room: 'house',
  water_bath: 'water_bath',
  oven: 'oven',
  room: 'room',
  shower: 'shower',
  ice_bath: 'ice_bath',
  cooler: 'cooler',
  freezer: 'cooler',
};

/** What a place of the site is to a stage. */
export const stagePlaceIn = (place: StepPlace): StagePlace => STAGE_PLACE[place];

const stepKind = (stage: ProgramStage): StepKind => {
  if (stage.kind !== 'chill') return STEP_OF[stage.kind];
  const place = placeOf(stage);
  return place === 'shower' || place === 'ice_bath' ? place : 'cooler';
};

/** A stage of a house program as a step of a way. */
export function stepOfStage(stage: ProgramStage): RouteStep {
  const {
    id,
    name,
    kind: _kind,
    place: _place,
    plannedS,
    endCoreC,
    ends,
    maxS,
    ...climate
  } = stage;
  const asked = ends ?? (endCoreC === undefined ? undefined : { join: 'any', coreC: endCoreC });
  const step: RouteStep = {
    id,
    kind: stepKind(stage),
    name,
    plannedS,
    ...(maxS === undefined ? {} : { maxS }),
    ...(asked === undefined ? {} : { ends: asked as NonNullable<typeof ends> }),
    climate,
  };
  /* A place is said only where it is not the usual one. */
  const place = placeOf(stage);
  return STAGE_PLACE[placeOfStep(step)] === place ? step : { ...step, place };
}

/** A step with set points as a stage of a house program. */
export function stageOfStep(step: RouteStep, name: string): ProgramStage {
  const { id, kind, plannedS, maxS, ends, climate } = step;
  const stage: ProgramStage = {
    id,
    name: step.name ?? name,
    kind: STAGE_OF[kind] ?? 'rest',
    ...climate!,
    plannedS,
    ...(ends === undefined ? {} : { ends }),
    ...(maxS === undefined ? {} : { maxS }),
  };
  const place = STAGE_PLACE[placeOfStep(step)];
  return place === placeOf(stage) ? stage : { ...stage, place };
}

/** Does the step stand for a stage of this kind at this place? */
export const stageAgrees = (step: RouteStep, stage: ProgramStage): boolean =>
  STAGE_OF[step.kind] === stage.kind && STAGE_PLACE[placeOfStep(step)] === placeOf(stage);
