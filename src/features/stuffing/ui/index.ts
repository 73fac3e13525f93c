export { StuffingDesk } from './StuffingDesk';
export { StuffDues } from './StuffDues';
