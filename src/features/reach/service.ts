/** Who is on duty, on which devices they are reached, and telling them. */
export { dropDevice, isDeviceOf, keepDevice } from './devices';
export { loadDuty, onDutyNow, saveDuty } from './duty';
export { tellOnDuty } from './tell';
