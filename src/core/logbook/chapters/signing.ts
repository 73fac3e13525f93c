import type { Chapter } from '../chapter';
import type { Author } from '../entry';

export type SigningBody = {
  kind: 'signed';
  verdictSha256: string;
  evidenceSha256: string;
  statement: string;
  /** Which judgement gave the verdict; 1 where it does not say. */
  judgement?: number;
};

export type SigningState = {
  /** The signature that stands; a correction recorded after it re-opens the batch. */
  signature: { by: Author; atS: number; entryId: string; stands: boolean } | null;
};

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
