export { nextToTell, onDuty, type Duty, type DutyHours, type DutyPerson } from './next-to-tell';
