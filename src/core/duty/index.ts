export {
  nextToTell,
  onDuty,
  type Duty,
  type DutyHours,
  type DutyPerson,
  type Telling,
} from './next-to-tell';
