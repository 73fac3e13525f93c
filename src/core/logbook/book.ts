import type { Kind } from './chapter';
import { acidity } from './chapters/acidity';
import { alarms } from './chapters/alarms';
import { bench } from './chapters/bench';
import { cure } from './chapters/cure';
import { drying } from './chapters/drying';
import { finish } from './chapters/finish';
import { hanging } from './chapters/hanging';
import { holds } from './chapters/holds';
import { making } from './chapters/making';
import { probes } from './chapters/probes';
import { record } from './chapters/record';
import { run } from './chapters/run';
import { signing } from './chapters/signing';
import { weighing } from './chapters/weighing';
import type { EntryBody, EntryKind } from './entry';
import type { BatchState } from './state';

type Kinds = { [K in EntryKind]: Kind<Extract<EntryBody, { kind: K }>> };

const CHAPTERS = {
  record,
  weighing,
  cure,
  making,
  acidity,
  bench,
  hanging,
  run,
  probes,
  drying,
  finish,
  alarms,
  holds,
  signing,
};
export type ChapterName = keyof typeof CHAPTERS;
/** The chapters of the logbook, in the order of the work. */
export const CHAPTER_NAMES = Object.keys(CHAPTERS) as ChapterName[];

/** Every kind of entry, by the chapters of the logbook; one that no chapter has does not compile. */
const KINDS: Kinds = {
  ...record.kinds,
  ...weighing.kinds,
  ...cure.kinds,
  ...making.kinds,
  ...acidity.kinds,
  ...bench.kinds,
  ...hanging.kinds,
  ...run.kinds,
  ...probes.kinds,
  ...drying.kinds,
  ...finish.kinds,
  ...alarms.kinds,
  ...holds.kinds,
  ...signing.kinds,
};

/** The chapter that a kind of entry belongs to. */
export const chapterOf = (kind: EntryKind): ChapterName =>
  CHAPTER_NAMES.find((name) => kind in CHAPTERS[name].kinds)!;

/** May an entry of this kind be corrected by people? */
export const isCorrectable = (kind: EntryKind): boolean => KINDS[kind].correctable === true;

/** Who may post an entry of this kind; null: nobody. */
export const whoPosts = (kind: EntryKind) => KINDS[kind].posted;

/** What the logbook knows of a kind. */
export const kindOf = <B extends EntryBody>(body: B): Kind<B> =>
  KINDS[body.kind as EntryKind] as unknown as Kind<B>;

/** What the logbook knows of a kind by its name. */
export const kindNamed = (kind: EntryKind): Kind<never> => KINDS[kind] as unknown as Kind<never>;

/** Every kind by name. */
export const ENTRY_KINDS = Object.keys(KINDS) as EntryKind[];

/** What is known of a batch before its first entry. */
export const emptyState = (): BatchState => ({
  ...record.empty(),
  ...weighing.empty(),
  ...cure.empty(),
  ...making.empty(),
  ...acidity.empty(),
  ...bench.empty(),
  ...hanging.empty(),
  ...run.empty(),
  ...probes.empty(),
  ...drying.empty(),
  ...finish.empty(),
  ...alarms.empty(),
  ...holds.empty(),
  ...signing.empty(),
  withdrawn: [],
  touched: {},
  phase: 'weighing',
  lastS: 0,
});
