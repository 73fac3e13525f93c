import type { Author } from '../author';

/** What a pH was taken of: the piece that hangs beside for it, or one of the product itself. */
export const PH_SAMPLES = ['test_piece', 'product'] as const;

export type PhSample = (typeof PH_SAMPLES)[number];

export type AcidityBody =
  | {
      kind: 'ph_logged';
      /** With the slope and offset of its meter's last check taken off, where the meter is one of the site's. */
      ph: number;
      /** When its meter last passed a check in buffers, epoch s; left out where it did not. */
      meterCheckedS?: number;
      /** The meter, as one of the site's, and what it showed. */
      meter?: { id: string; name: string; shownPh: number };
      sample?: PhSample;
      /** Temperature of the sample, °C. */
      sampleC?: number;
      /** The instrument from which the figure was taken by a press; left out where somebody typed it. */
      shownBy?: string;
    }
  /** A meter was found wrong: what it showed since its last good check is no evidence. */
  | { kind: 'ph_doubted'; meterId: string; meter: string; sinceS: number };

export type PhTaken = {
  ph: number;
  tS: number;
  meterCheckedS: number | null;
  meter: { id: string; name: string; shownPh: number } | null;
  sample: PhSample | null;
  sampleC: number | null;
  /** Its meter was found wrong afterwards. */
  doubted: boolean;
  by: Author;
};

export type AcidityState = {
  /** pH of the batch, in time. */
  ph: PhTaken[];
};
