import type { Author } from '../author';

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
