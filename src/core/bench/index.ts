/** What the record says of the work at the bench: bowls, clocks of raw meat, and what is due there. */
export { bowlParts, bowlsFound, type BowlFound } from './bowl';
export { rawClock, type RawClock } from './raw-clock';
export { chillTargetC, remindersOf, type Reminder, type ReminderCode } from './reminders';
export { stuffingDue, type StuffDue, type StuffDueCode } from './stuffing-due';
export { tooWarmNow, type TooWarm } from './too-warm';
