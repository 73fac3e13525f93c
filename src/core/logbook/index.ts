export { fittingDispositions } from './fitting';
export { effectiveEntries } from './effective';
export type { Author } from './author';
export type { EffectiveEntry, Entry, EntryBody, EntryKind } from './entry';
export {
  CHAPTER_NAMES,
  ENTRY_KINDS,
  chapterOf,
  isCorrectable,
  whoPosts,
  type ChapterName,
} from './book';
export type { AlarmState } from './kinds/alarms';
export type { DispositionKind } from './kinds/holds';
export { PH_SAMPLES, type PhSample, type PhTaken } from './kinds/acidity';
export { PIECE_ENDS, type PieceEnd } from './kinds/drying';
export type { StepName, Tick } from './kinds/making';
export type { ProbeUse } from './kinds/probes';
export { RUN_EVENTS, type RunEvent } from './kinds/run';
export { placeNow } from './chapters/run';
export { LOT_PROBLEMS, type LotProblem, type Weighed, type Weighing } from './kinds/weighing';
export { meatOfLoad, weighingsOf } from './chapters/weighing';
export {
  BINDS,
  CURE_WAYS,
  FRESH_WAYS,
  type Added,
  type Bind,
  type CureWay,
  type FreshWay,
} from './kinds/bench';
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
} from './kinds/hanging';
export { PART_KINDS } from './entry';
export { entriesOfPart, isParted, ofPart, partOf } from './parts';
export type { Telling } from './kinds/alarms';
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
export type { ParasiteControl } from './kinds/finish';
export { refuse, type Proposed } from './accept';
export type { Refusal } from './chapter';
export type { BatchState, Phase } from './state';
