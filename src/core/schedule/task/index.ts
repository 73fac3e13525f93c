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
