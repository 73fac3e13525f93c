/** Runs in a thread of the server's pool. */
export { answerForecast as default } from './answer';
