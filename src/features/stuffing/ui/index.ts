export { StuffingDesk } from './StuffingDesk';
