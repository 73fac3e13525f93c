export { asPlanned } from './as-planned';
export { alikeGroups, goAlike } from './alike';
export { groupPieces, stepKey, type Group, type GroupPiece } from './groups';
export { isOneRun, roomTaken, type PlanPlace } from './places';
export {
  planTask,
  WAITING,
  type Misfit,
  type Task,
  type TaskSite,
  type TaskStep,
  type Work,
} from './task';
export {
  batchEnds,
  planFigures,
  planNow,
  withPins,
  type BatchEnd,
  type PinnedStep,
  type PlanFigures,
} from './current';
export { closedBatch, halvesOf, pullLevers, type Lever } from './levers';
export { shortages, type Need, type Shortage, type StockLot } from './needs';
export { MOVE_COST_S, remediesFor, type Remedy } from './remedies';
