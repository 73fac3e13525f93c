import { CURE_LINE } from '../../formula/scale-recipe';
import type { Chapter } from '../chapter';
import type { Author } from '../entry';

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

export type Weighed = {
  entryId: string;
  lineId: string;
  amountG: number;
  targetG: number;
  scaleResolutionG: number;
  nitriteFraction: number | null;
  lotId: string | null;
  /** A person stands by an amount far from its target. */
  confirmed: boolean;
  atS: number;
  by: Author;
};
export type CureCheck = {
  method: CheckMethod;
  /** Somebody else than who weighed it looked. */
  second: boolean;
  readingG: number;
  matches: boolean;
  by: Author;
  atS: number;
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
  weighed: Record<string, Weighed>;
  cureCheck: CureCheck | null;
  /** Lots, or labels, that a person decided to use in spite of what is wrong with them. */
  allowedLots: AllowedLot[];
};

/** What goes into the batter, from which lot, and the second look at the cure. */
export const weighing: Chapter<WeighingBody, WeighingState> = {
  empty: () => ({
    meatG: null,
    meatResolutionG: 0,
    weighed: {},
    cureCheck: null,
    allowedLots: [],
  }),
  kinds: {
    weighed: {
      apply: (s, b, e) => {
        if (b.lineId === CURE_LINE) s.cureCheck = null;
        s.weighed[b.lineId] = {
          entryId: e.id,
          lineId: b.lineId,
          amountG: b.amountG,
          targetG: b.targetG,
          scaleResolutionG: b.scaleResolutionG,
          nitriteFraction: b.nitriteFraction ?? null,
          lotId: b.lotId ?? null,
          confirmed: b.confirmed ?? false,
          atS: e.happenedS,
          by: e.by,
        };
      },
      refuses: (s, b, r) => {
        const known = [
          CURE_LINE,
          'salt',
          ...r.meat.map((m) => m.id),
          ...r.additions.map((a) => a.id),
        ];
        if (!known.includes(b.lineId) || (b.lineId === CURE_LINE && !r.cure)) return 'unknown_line';
        if (s.weighed[b.lineId])
          return b.lineId === CURE_LINE && s.cureCheck?.matches === false
            ? null
            : 'already_weighed';
        return !r.meat.some((m) => m.id === b.lineId) && s.meatG === null ? 'meat_first' : null;
      },
      correctable: true,
      bearsOn: ['dose', 'cure_hold', 'cooling', 'ingredients'],
    },
    lot_allowed: {
      apply: (s, b) => {
        s.allowedLots.push({
          lotId: b.lotId,
          lineId: b.lineId,
          problems: b.problems,
          nitriteFraction: b.nitriteFraction ?? null,
        });
      },
      bearsOn: ['dose'],
    },
    cure_checked: {
      apply: (s, b, e) => {
        const cure = s.weighed[CURE_LINE];
        if (cure?.entryId !== b.weighedId) return;
        const finerG = Math.min(cure.scaleResolutionG, b.scaleResolutionG ?? Infinity);
        s.cureCheck = {
          method: b.method,
          second: e.by.id !== cure.by.id,
          readingG: b.readingG,
          matches: Math.abs(b.readingG - cure.amountG) <= finerG + 1e-9,
          by: e.by,
          atS: e.happenedS,
        };
      },
      refuses: (s, b) => {
        const cure = s.weighed[CURE_LINE];
        if (!cure) return 'check_first_weigh';
        return cure.entryId === b.weighedId ? null : 'check_stale';
      },
    },
  },
};
