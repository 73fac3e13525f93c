/** A stage as people write it, and back: for every screen that shows or takes one. */
export { readStage, stageText, type StageText } from './stage-text';
