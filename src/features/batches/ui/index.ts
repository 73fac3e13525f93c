/** What other screens show of batches. */
export { RunChart } from './RunChart';
