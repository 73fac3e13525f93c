import type { Chapter } from '../chapter';
import type { CorrectedBody } from '../entry';
import type { RecordBody, RecordState } from '../kinds/record';

/** The record itself: its start, notes, and corrections, which act on other entries. */
export const record: Chapter<RecordBody | CorrectedBody, RecordState> = {
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
