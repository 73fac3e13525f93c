/** What other screens show of programs. */
export { StageEditor } from './StageEditor';
