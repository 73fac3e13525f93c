/** What others ask of houses. */
export { housePrior } from './fits';
export { dueNow } from './way';
