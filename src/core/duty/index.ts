export { nextToTell, onDuty, type DutyHours, type DutyPerson, type Telling } from './next-to-tell';
