/** Runs in a thread of the server's pool. */
export { answerJudge as default } from './answer';
