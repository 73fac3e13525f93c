/** What others do with the logbook: append to it, look at batches, and read what was recorded. */
export {
  append,
  appendSeen,
  inLogbook,
  inPart,
  type Guard,
  type Offer,
  type Offered,
  type Refused,
} from './append';
export {
  judgeNow,
  loadDossier,
  loadLooked,
  seeDossier,
  type Dossier,
  type Looked,
  type Standing,
  type WholeDossier,
} from './case';
export {
  entryHash,
  findEntry,
  hasRecorded,
  lastBatchesWith,
  lastSeq,
  lastSeqsOf,
  loadEntries,
  SYSTEM,
  type NewEntry,
} from './chain';
export {
  closedBatches,
  countCodes,
  findBatch,
  insertBatch,
  partsOfHead,
  type BatchHead,
} from './heads';
export { holdsAfterVerdict } from './holds';
export {
  closeRef,
  loadOpen,
  loadOpenDossiers,
  loadOpenStandings,
  otherParts,
} from './open-batches';
