export { isPlanned, routeOf, routed, withRoute } from './adapter';
export { freeId, withChill, withProgram } from './edit';
export { CLIMATE_KINDS, attendanceOf, isMaking, placeOfStep } from './facts';
export {
  chillOf,
  freezes,
  holdOf,
  isChillStep,
  laterDrying,
  outcomeOf,
  plannedS,
  programOf,
  stepOf,
} from './read';
export { partRecipe, partRecipes } from './parts';
export { runSheet, type SheetStep } from './sheet';
export { placeOf, stagePlaceIn, stepOfStage } from './stage-step';
export {
  ATTENDANCES,
  HOUSE_KINDS,
  STEP_KINDS,
  STEP_MANNERS,
  STEP_PLACES,
  type Attendance,
  type Climate,
  type HouseKind,
  type RouteStep,
  type StepKind,
  type StepManner,
  type StepPlace,
} from '../recipe/step';
