import type { ReadingPlace } from '../../units/plausible';
import type { Author } from '../author';

export type ImportedChannel = {
  channelId: number;
  name: string;
  what: ReadingPlace;
  thickest: boolean;
};

export type ProbesBody =
  | {
      kind: 'probe_placed';
      channelId: number;
      what: ReadingPlace;
      thickest: boolean;
      position?: string;
    }
  | { kind: 'probe_removed'; channelId: number; reason: string }
  | {
      kind: 'reading_logged';
      what: ReadingPlace;
      tempC: number;
      thickest: boolean;
      /** The piece that it was taken in, where there is more than one. */
      piece?: string;
    }
  | { kind: 'readings_imported'; fileName: string; sha256: string; channels: ImportedChannel[] };

export type ProbeUse = {
  channelId: number;
  name: string | null;
  what: ReadingPlace;
  thickest: boolean;
  position: string | null;
  fromS: number;
  toS: number | null;
  /** Why it was taken out, and by whom: a decision that sets it aside from then on. */
  removed: { reason: string; by: Author } | null;
};

export type HandReading = {
  what: ReadingPlace;
  tempC: number;
  thickest: boolean;
  piece: string | null;
  tS: number;
  by: Author;
};

export type ProbesState = { probes: ProbeUse[]; hand: HandReading[] };
