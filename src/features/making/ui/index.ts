export { RunSheet } from './RunSheet';
