export {
  rosterSpans,
  type OnSite,
  type DaysOff,
  type ExtraHours,
  type Roster,
  type Shift,
} from './roster';
export { assignPeople, type Assigned, type Needed } from './assign-people';
