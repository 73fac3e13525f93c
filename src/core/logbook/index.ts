export { fittingDispositions } from './fitting';
export { effectiveEntries } from './effective';
export type { Author, EffectiveEntry, Entry, EntryBody, EntryKind } from './entry';
export {
  CHAPTER_NAMES,
  ENTRY_KINDS,
  chapterOf,
  isCorrectable,
  whoPosts,
  type ChapterName,
} from './book';
export type { AlarmState } from './chapters/alarms';
export type { DispositionKind } from './chapters/holds';
export { PH_SAMPLES, type PhSample, type PhTaken } from './chapters/acidity';
export { PIECE_ENDS, type PieceEnd } from './chapters/drying';
export type { StepName, Tick } from './chapters/making';
export type { ProbeUse } from './chapters/probes';
export { RUN_EVENTS, placeNow, type RunEvent } from './chapters/run';
export {
  LOT_PROBLEMS,
  meatOfLoad,
  weighingsOf,
  type LotProblem,
  type Weighed,
  type Weighing,
} from './chapters/weighing';
export {
  BINDS,
  CURE_WAYS,
  FRESH_WAYS,
  type Added,
  type Bind,
  type CureWay,
  type FreshWay,
} from './chapters/bench';
export {
  BATH_OILS,
  SOUND_PIECES,
  SMOKE_SEEN,
  SURFACE_FEELS,
  type BathOil,
  type SmokeLook,
  type SmokeSeen,
  type SoundPiece,
  type Stick,
  type SurfaceFeel,
} from './chapters/hanging';
export { PART_KINDS, entriesOfPart, isParted, ofPart, partOf } from './parts';
export type { Telling } from './chapters/alarms';
export { isRowDone, outOfOrder, tickOf, ticksOf } from './done';
export {
  bindsOrCures,
  isLoadShort,
  isMixing,
  mixedWithout,
  unweighedFor,
  type MixedWithout,
} from './load-gaps';
export { foldBatch } from './fold';
export { evidenceEndS } from './phase';
export type { ParasiteControl } from './chapters/finish';
export { refuse, type Proposed } from './accept';
export type { Refusal } from './chapter';
export type { BatchState, Phase } from './state';
