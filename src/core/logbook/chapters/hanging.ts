import type { Wind } from '../../forecast/house-prior';
import type { Link } from '../../casing/link-check';
import type { SoakAdd } from '../../recipe/tables/casings';
import type { Chapter, Refusal } from '../chapter';
import type { Author } from '../entry';
import type { BatchState } from '../state';
import { inRun } from './run';

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

const notPulled = (s: BatchState): Refusal | null =>
  s.run?.pulledS != null ? 'already_pulled' : null;

/** One spot takes one stick, and a stick has one number. */
const twice = (sticks: readonly Stick[]): boolean =>
  new Set(sticks.map((s) => s.stick)).size < sticks.length ||
  new Set(sticks.map((s) => `${s.level}:${s.row}`)).size < sticks.length;

/** From the soaked casing to what is seen at the house and the bath. */
export const hanging: Chapter<HangingBody, HangingState> = {
  empty: () => ({
    soaks: [],
    linkChecks: [],
    stuffings: [],
    faultCounts: [],
    soundPieces: [],
    hung: null,
    stickWeights: [],
    touches: [],
    smokeLooks: [],
    dampers: [],
    bathLooks: [],
    weather: [],
  }),
  kinds: {
    casing_soaked: {
      apply: (s, { casing, metres, lotId = null }, e) => {
        const at = { entryId: e.id, atS: e.happenedS, by: e.by };
        s.soaks.push({ casing, metres, lotId, ...at });
      },
      refuses: notPulled,
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    links_checked: {
      apply: (s, { links, targetG }, e) => {
        s.linkChecks.push({ links, targetG, atS: e.happenedS, by: e.by });
      },
      refuses: notPulled,
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    stuffing_weighed: {
      apply: (s, { batterG, stuffedG, stayedG }, e) => {
        s.stuffings.push({ batterG, stuffedG, stayedG, atS: e.happenedS, by: e.by });
      },
      correctable: true,
      stoppedByHold: true,
      bearsOn: [],
      posted: 'work',
    },
    faults_counted: {
      apply: (s, { kind: _, ...b }, e) => {
        s.faultCounts.push({ ...b, atS: e.happenedS, by: e.by });
      },
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    sound_piece_kept: {
      apply: (s, { what, piece }, e) => {
        s.soundPieces.push({ what, piece, atS: e.happenedS, by: e.by });
      },
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    hung: {
      apply: (s, { houseId, sticks }, e) => {
        s.hung = { houseId, sticks, atS: e.happenedS, by: e.by };
      },
      refuses: (s, b) => (twice(b.sticks) ? 'spot_twice' : notPulled(s)),
      correctable: true,
      stoppedByHold: true,
      bearsOn: [],
      posted: 'work',
    },
    stick_weighed: {
      apply: (s, { stick, grossG, tareG }, e) => {
        s.stickWeights.push({ stick, netG: grossG - tareG, atS: e.happenedS, by: e.by });
      },
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    surface_touched: {
      apply: (s, { where, feel }, e) => {
        s.touches.push({ where, feel, atS: e.happenedS, by: e.by });
        /* Wet again, or wet where nobody had felt before: what was said to be dry is not. */
        if (feel === 'wet') delete s.steps.surface_dry;
        else s.steps.surface_dry = { atS: e.happenedS, tempC: null, weightG: null, without: [] };
      },
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    smoke_seen: {
      apply: (s, { seen }, e) => {
        s.smokeLooks.push({ tS: e.happenedS, seen, by: e.by });
      },
      refuses: inRun,
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    damper_set: {
      apply: (s, { open }, e) => {
        s.dampers.push({ open, atS: e.happenedS, by: e.by });
      },
      refuses: inRun,
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    bath_seen: {
      apply: (s, { oil, waterC = null }, e) => {
        s.bathLooks.push({ oil, waterC, atS: e.happenedS, by: e.by });
      },
      refuses: (s) => (s.run ? null : 'run_not_started'),
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
    weather_noted: {
      apply: (s, { wind, outsideC = null }, e) => {
        s.weather.push({ wind, outsideC, atS: e.happenedS, by: e.by });
      },
      correctable: true,
      bearsOn: [],
      posted: 'work',
    },
  },
};
