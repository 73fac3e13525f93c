import { CURE_LINE } from '../../formula/scale-recipe';
import type { Recipe } from '../../recipe/recipe';
import { refuseStandIn } from '../../making/stand-in';
import type { Chapter, Refusal } from '../chapter';
import type { Author } from '../entry';
import type { BatchState } from '../state';
import { noLoad } from './bench';

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
type GivenLook = Omit<CureCheck, 'second' | 'matches'> & {
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

/** The weighings of a line so far, whether all of its loads are weighed or not. */
export const weighingsOf = (s: BatchState, lineId: string): Weighing[] => s.weighings[lineId] ?? [];

/** Meat of one load, g: its share of what all have, and what was put to it alone. */
export function meatOfLoad(s: BatchState, recipe: Recipe, load: number): number {
  const parts = recipe.meat.flatMap((m) => weighingsOf(s, m.id));
  const sum = (of: number | null) => parts.reduce((g, w) => (w.load === of ? g + w.amountG : g), 0);
  return sum(null) / s.loads + sum(load);
}

/** The last weighing of a line speaks for it, with the sum of all and of their scales' divisions. */
function together(parts: Weighing[]): Weighed {
  const last = parts.at(-1)!;
  return {
    ...last,
    amountG: parts.reduce((sum, w) => sum + w.amountG, 0),
    targetG: last.load === null ? last.targetG : parts.reduce((sum, w) => sum + w.targetG, 0),
    scaleResolutionG: parts.reduce((sum, w) => sum + w.scaleResolutionG, 0),
    confirmed: parts.every((w) => w.confirmed),
    parts,
  };
}

/**
 * Files every line under what is weighed once each load has its own, and holds the second looks against what they were for.
 * Done when all entries are known: loads that were chosen, and weighings that were told, in another order of times mean the same.
 */
export function settleWeighings(s: BatchState): void {
  for (const { weighing: w, more } of [...s.given].sort((a, b) => a.seq - b.seq)) {
    const before = weighingsOf(s, w.lineId);
    const kept = more ? before : before.filter((x) => x.load !== w.load);
    s.weighings[w.lineId] = [...kept, w].sort((a, b) => a.atS - b.atS);
  }
  for (const [lineId, parts] of Object.entries(s.weighings)) {
    const loads = new Set(parts.flatMap((w) => w.load ?? []));
    const whole = parts.some((w) => w.load === null) || loads.size >= s.loads;
    (whole ? s.weighed : s.partly)[lineId] = together(parts);
  }
  for (const look of s.looks) lookAt(s, look);
  s.cureCheck = lookedAt(s);
}

function lookAt(s: BatchState, { weighedId, scaleResolutionG, ...look }: GivenLook): void {
  const cure = weighingsOf(s, CURE_LINE).find((w) => w.entryId === weighedId);
  if (!cure) return;
  const finerG = Math.min(cure.scaleResolutionG, scaleResolutionG ?? Infinity);
  s.cureLooks[weighedId] = {
    ...look,
    second: look.by.id !== cure.by.id,
    matches: Math.abs(look.readingG - cure.amountG) <= finerG + 1e-9,
  };
}

/** The second looks at every weighing of the cure: one that differs, else the weakest, else none while one is open. */
function lookedAt(s: BatchState): CureCheck | null {
  const looks = weighingsOf(s, CURE_LINE).map((w) => s.cureLooks[w.entryId] ?? null);
  const differs = looks.find((l) => l?.matches === false);
  if (differs) return differs;
  if (looks.length === 0 || looks.some((l) => l === null)) return null;
  return looks.find((l) => l!.method === 'reentered_alone' || !l!.second) ?? looks.at(-1)!;
}

const isMeat = (r: Recipe, lineId: string) => r.meat.some((m) => m.id === lineId);

function refuseLine(r: Recipe, lineId: string): Refusal | null {
  const known = isMeat(r, lineId) || r.additions.some((a) => a.id === lineId);
  if (known || lineId === 'salt') return null;
  return lineId === CURE_LINE && r.cure ? null : 'unknown_line';
}

/** Each load gets its own share, once; what comes on top says so. */
function refuseLoad(
  s: BatchState,
  b: Extract<WeighingBody, { kind: 'weighed' }>,
  r: Recipe,
): Refusal | null {
  const none = noLoad(s, b.load);
  if (none) return none;
  /* Meat is weighed before it is split; one load gets more of it where something is to be put right. */
  if (isMeat(r, b.lineId)) {
    if (b.load !== undefined && !(b.more && s.weighed[b.lineId])) return 'unknown_load';
  } else if (s.loads > 1 && b.load === undefined) return 'load_first';
  const there = weighingsOf(s, b.lineId).filter((w) => w.load === (b.load ?? null));
  if (there.length === 0 || b.more) return null;
  const differs = there.some((w) => s.cureLooks[w.entryId]?.matches === false);
  return b.lineId === CURE_LINE && differs ? null : 'already_weighed';
}

/** What goes into the batter, from which lot, and the second look at the cure. */
export const weighing: Chapter<WeighingBody, WeighingState> = {
  empty: () => ({
    meatG: null,
    meatResolutionG: 0,
    given: [],
    weighings: {},
    weighed: {},
    partly: {},
    looks: [],
    cureLooks: {},
    cureCheck: null,
    allowedLots: [],
  }),
  kinds: {
    weighed: {
      apply: (s, b, e) => {
        const weighing: Weighing = {
          entryId: e.id,
          lineId: b.lineId,
          load: b.load ?? null,
          amountG: b.amountG,
          targetG: b.targetG,
          scaleResolutionG: b.scaleResolutionG,
          nitriteFraction: b.nitriteFraction ?? null,
          lotId: b.lotId ?? null,
          confirmed: b.confirmed ?? false,
          standIn: b.standIn ?? null,
          atS: e.happenedS,
          by: e.by,
        };
        s.given.push({ weighing, more: b.more ?? false, seq: e.seq });
      },
      refuses: (s, b, r) =>
        refuseLine(r, b.lineId) ??
        (b.standIn === undefined ? null : refuseStandIn(r, b.lineId, b.standIn)) ??
        refuseLoad(s, b, r) ??
        (!isMeat(r, b.lineId) && s.meatG === null ? 'meat_first' : null),
      correctable: true,
      bearsOn: ['dose', 'cure_hold', 'cooling', 'ingredients'],
      posted: 'work',
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
      posted: 'decide',
    },
    cure_checked: {
      apply: (s, b, e) => {
        s.looks.push({
          weighedId: b.weighedId,
          scaleResolutionG: b.scaleResolutionG ?? null,
          method: b.method,
          readingG: b.readingG,
          by: e.by,
          atS: e.happenedS,
        });
      },
      refuses: (s, b) => {
        const cures = weighingsOf(s, CURE_LINE);
        if (cures.length === 0) return 'check_first_weigh';
        return cures.some((w) => w.entryId === b.weighedId) ? null : 'check_stale';
      },
      bearsOn: [],
      posted: 'work',
    },
  },
};
