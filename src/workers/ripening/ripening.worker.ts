/** Runs in a thread of the server's pool. */
export { answerRipening as default } from './answer';
