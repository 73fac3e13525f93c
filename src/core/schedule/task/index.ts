export { asPlanned } from './as-planned';
export { alikeGroups, goAlike } from './alike';
export { groupPieces, stepKey, type Group, type GroupPiece } from './groups';
export { isOneRun, roomTaken, type PlanPlace } from './places';
export { planTask } from './task';
export { WAITING, type Misfit, type Task, type TaskSite, type TaskStep, type Work } from './types';
export {
  batchEnds,
  planFigures,
  planNow,
  planWaits,
  withPins,
  type BatchEnd,
  type PinnedStep,
  type PlanFigures,
  type PlanWait,
} from './current';
export { halvesOf, isClosure, pullLevers, type Lever } from './levers';
export { couldHangWith, isOneRunOf, withSameProgram, type SameProgram } from './same-program';
export { shortages, type Need, type Shortage, type StockLot } from './needs';
export { MOVE_COST_S, remediesFor, type Remedy } from './remedies';
