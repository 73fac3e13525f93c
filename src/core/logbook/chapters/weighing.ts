import { CURE_LINE } from '../../formula/scale-recipe';
import type { Recipe } from '../../recipe/recipe';
import { refuseStandIn } from '../../making/stand-in';
import type { Chapter, Refusal } from '../chapter';
import type { BatchState } from '../state';
import { noLoad } from './bench';
import type {
  WeighingBody,
  Weighing,
  Weighed,
  CureCheck,
  GivenLook,
  WeighingState,
} from '../kinds/weighing';

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
