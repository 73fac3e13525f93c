export { cleaningList, type CleaningRow, type CleaningTask } from './free-time';
