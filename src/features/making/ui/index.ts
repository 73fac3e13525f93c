export { NowOnBench } from './NowOnBench';
export { RunSheet } from './RunSheet';
