import type { Chapter } from '../chapter';
import type { SigningBody, SigningState } from '../kinds/signing';

/** The release: by whom, on which verdict and evidence. */
export const signing: Chapter<SigningBody, SigningState> = {
  empty: () => ({ signature: null }),
  kinds: {
    signed: {
      apply: (s, _b, e) => {
        s.signature = { by: e.by, atS: e.happenedS, entryId: e.id, stands: true };
      },
      refuses: (s) => {
        if (s.practice) return 'practice';
        return s.holds.some((h) => h.open) ? 'on_hold' : null;
      },
      stoppedByHold: true,
      bearsOn: [],
      posted: null,
    },
  },
};
