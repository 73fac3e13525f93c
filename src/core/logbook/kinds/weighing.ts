import type { Author } from '../author';

export type CheckMethod = 'second_person' | 'reentered_alone';

/** Why a lot may not be weighed into a batch without a recorded decision. */
export const LOT_PROBLEMS = [
  'past_use_by',
  'wrong_strength',
  'wrong_ingredient',
  'other_owner',
] as const;

export type LotProblem = (typeof LOT_PROBLEMS)[number];

export type WeighingBody =
  | {
      kind: 'weighed';
      lineId: string;
      amountG: number;
      scaleId: string;
      scaleResolutionG: number;
      targetG: number;
      nitriteFraction?: number;
      lot?: string;
      lotId?: string;
      /** A person was asked about an amount far from its target and stands by it. */
      confirmed?: true;
      /** It comes on top of what was weighed of this line: another lot, another bowl, what puts it right. */
      more?: true;
      /** The load that it is for, from 1. */
      load?: number;
      /** Poured by feel: what the jug weighed before and after, g. */
      jug?: { beforeG: number; afterG: number };
      /** Another grade of the same that was used in its place. */
      standIn?: string;
      /** The instrument from which the figure was taken by a press; left out where somebody typed it. */
      shownBy?: string;
    }
  | {
      kind: 'lot_allowed';
      /** null: not a lot of the stores but the label of what is at hand. */
      lotId: string | null;
      lineId: string;
      problems: LotProblem[];
      /** The strength that was allowed, when it differs from the recipe's. */
      nitriteFraction?: number;
      reason: string;
    }
  | {
      kind: 'cure_checked';
      weighedId: string;
      readingG: number;
      method: CheckMethod;
      /** Scale of the second look, g a division; the first one's when left out. */
      scaleResolutionG?: number;
    };

/** One weighing of a line. */
export type Weighing = {
  entryId: string;
  lineId: string;
  load: number | null;
  amountG: number;
  targetG: number;
  scaleResolutionG: number;
  nitriteFraction: number | null;
  lotId: string | null;
  /** A person stands by an amount far from its target. */
  confirmed: boolean;
  standIn: string | null;
  atS: number;
  by: Author;
};

/** A line as it was weighed: the sum of its weighings, with the last one's words and the divisions of all scales. */
export type Weighed = Weighing & { parts: Weighing[] };

export type CureCheck = {
  method: CheckMethod;
  /** Somebody else than who weighed it looked. */
  second: boolean;
  readingG: number;
  matches: boolean;
  by: Author;
  atS: number;
};

/** A weighing as it was given; `more`: on top of those of its line and load that were told before it, else in their place. */
type GivenWeighing = { weighing: Weighing; more: boolean; seq: number };

/** A second look as it was given. */
export type GivenLook = Omit<CureCheck, 'second' | 'matches'> & {
  weighedId: string;
  scaleResolutionG: number | null;
};

export type AllowedLot = {
  lotId: string | null;
  lineId: string;
  problems: LotProblem[];
  nitriteFraction: number | null;
};

export type WeighingState = {
  /** Sum of the weighed meat lines once all are weighed, else null. */
  meatG: number | null;
  meatResolutionG: number;
  /** Weighings as they were given, and every one that counts, by its line. */
  given: GivenWeighing[];
  weighings: Record<string, Weighing[]>;
  /** Lines that are weighed for every load. */
  weighed: Record<string, Weighed>;
  /** Lines of which some loads are still to be weighed. */
  partly: Record<string, Weighed>;
  /** Second looks as they were given, and by the weighing that they were for; what they come to together. */
  looks: GivenLook[];
  cureLooks: Record<string, CureCheck>;
  cureCheck: CureCheck | null;
  /** Lots, or labels, that a person decided to use in spite of what is wrong with them. */
  allowedLots: AllowedLot[];
};
