/** What is judged of long logs, so that a look costs what is new. */
export { isSlowNow, slowSpans, type SlowSpan } from './slow-spans';
export { inPieces, resumeEvidence, type Evidence, type EvidenceBasis } from './resume-evidence';
export { thinReadings } from '../probes/thin';
export { nearest, within } from '../probes/series-at';
