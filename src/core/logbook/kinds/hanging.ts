import type { Wind } from '../../forecast/house-prior';
import type { Link } from '../../casing/link-check';
import type { SoakAdd } from '../../recipe/tables/casings';
import type { Author } from '../author';

/** How a surface felt under the hand. */
export const SURFACE_FEELS = ['wet', 'tacky', 'dry'] as const;

export type SurfaceFeel = (typeof SURFACE_FEELS)[number];

/** Oil on the water of a bath. */
export const BATH_OILS = ['none', 'film', 'much'] as const;

export type BathOil = (typeof BATH_OILS)[number];

/** Pieces that are asked for before the last link. */
export const SOUND_PIECES = ['ph', 'probe'] as const;

export type SoundPiece = (typeof SOUND_PIECES)[number];

/** What was seen at the vent. */
export const SMOKE_SEEN = ['thin', 'thick', 'out'] as const;

export type SmokeSeen = (typeof SMOKE_SEEN)[number];

export type SmokeLook = { tS: number; seen: SmokeSeen };

export type Stick = { stick: number; level: number; row: number; pieces: number };

export type HangingBody =
  /** A casing went into its water. */
  | {
      kind: 'casing_soaked';
      casing: string;
      metres: number;
      lotId?: string;
      waterC?: number;
      add?: { what: SoakAdd; gPerL: number };
    }
  | { kind: 'links_checked'; links: Link[]; targetG: number }
  /** Batter that went in, what came out stuffed, what stayed in horn and cylinder; casing used and put back re-salted. */
  | {
      kind: 'stuffing_weighed';
      batterG: number;
      stuffedG: number;
      stayedG: number;
      lotId?: string;
      usedM?: number;
      backM?: number;
    }
  | {
      kind: 'faults_counted';
      casing: string;
      stuffedBy: string;
      bursts: number;
      airPockets: number;
      slack: number;
    }
  | { kind: 'sound_piece_kept'; what: SoundPiece; piece: string }
  /** Where it hangs, stick by stick: the whole of it, in place of what was said before. */
  | { kind: 'hung'; houseId: string; sticks: Stick[] }
  | { kind: 'stick_weighed'; stick: number; grossG: number; tareG: number }
  | { kind: 'surface_touched'; where: string; feel: SurfaceFeel }
  | { kind: 'smoke_seen'; seen: SmokeSeen }
  | { kind: 'damper_set'; open: number }
  | { kind: 'bath_seen'; oil: BathOil; waterC?: number }
  | { kind: 'weather_noted'; wind: Wind; outsideC?: number };

type Said = { atS: number; by: Author };

export type HangingState = {
  soaks: (Said & {
    entryId: string;
    casing: string;
    metres: number;
    lotId: string | null;
  })[];
  linkChecks: (Said & { links: Link[]; targetG: number })[];
  stuffings: (Said & { batterG: number; stuffedG: number; stayedG: number })[];
  faultCounts: (Said & {
    casing: string;
    stuffedBy: string;
    bursts: number;
    airPockets: number;
    slack: number;
  })[];
  soundPieces: (Said & { what: SoundPiece; piece: string })[];
  hung: (Said & { houseId: string; sticks: Stick[] }) | null;
  stickWeights: (Said & { stick: number; netG: number })[];
  touches: (Said & { where: string; feel: SurfaceFeel })[];
  smokeLooks: (SmokeLook & { by: Author })[];
  dampers: (Said & { open: number })[];
  bathLooks: (Said & { oil: BathOil; waterC: number | null })[];
  weather: (Said & { wind: Wind; outsideC: number | null })[];
};
