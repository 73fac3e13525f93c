import type { Chapter } from '../chapter';
import type { FactBody } from '../entry';

export type RecordBody =
  | {
      kind: 'batch_started';
      plannedMeatG: number;
      readyByS: number;
      recipeVersionId: string;
      recipeSha256: string;
      rules: { id: string; sha256: string }[];
      /** Made for practice: it can never be released. */
      practice?: true;
      carriesOver?: string;
    }
  | { kind: 'noted'; text: string }
  | { kind: 'corrected'; reason: string; replacement: FactBody | null; happenedS?: number };

export type RecordState = {
  startedS: number;
  readyByS: number;
  plannedMeatG: number;
  practice: boolean;
};

/** The record itself: its start, notes, and corrections, which act on other entries. */
export const record: Chapter<RecordBody, RecordState> = {
  empty: () => ({ startedS: 0, readyByS: 0, plannedMeatG: 0, practice: false }),
  kinds: {
    batch_started: {
      apply: (s, b, e) => {
        s.startedS = e.happenedS;
        s.plannedMeatG = b.plannedMeatG;
        s.readyByS = b.readyByS;
        s.practice = b.practice ?? false;
      },
      refuses: (s) => (s.startedS > 0 ? 'already_started' : null),
      bearsOn: [],
      posted: null,
    },
    noted: {
      apply: () => undefined,
      correctable: true,
      afterSignature: true,
      posted: 'work',
      bearsOn: [],
    },
    corrected: {
      apply: () => undefined,
      afterSignature: true,
      reopens: true,
      posted: 'work',
      bearsOn: [],
    },
  },
};
