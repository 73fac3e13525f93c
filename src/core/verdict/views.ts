import type { Reading } from '../lethality/reading';
import { nearest } from '../probes/series-at';
import type { Case } from './check';
import { besideReadings } from './parts';
import type { NoCredit } from './no-credit';
import { creditedSpans, pieceLogs, type PieceLog } from './pieces';

export type Uncovered = { fromS: number; toS: number };

/** A log that a window is judged on. */
export type Counted = {
  log: PieceLog;
  /** Credited stretches within the window. */
  spans: Reading[][];
  /** Silences within the window that nothing covers. */
  holes: Uncovered[];
  /** It ended before the window did, and nobody set it aside. */
  lost: boolean;
};

export type View = {
  fromS: number;
  toS: number;
  counted: Counted[];
  /** Set aside by a person, with the reason, while another piece was followed. */
  aside: { log: PieceLog; reason: string; atS: number }[];
  /** The last hand reading in a thickest piece that was worse than every probe, and when a later one answered it. */
  worseByHand: { reading: Reading; answeredS: number | null } | null;
};

type Direction = {
  /** How much worse a is than b, °C. */
  worse: (aC: number, bC: number) => number;
  /** Does a difference here bear on the verdict? */
  matters: (tempC: number) => boolean;
  slackS: (log: PieceLog) => number;
};

/** Two probes of one load that differ by less tell the same, °C; a person who takes one out may allow more. */
const SAME_C = 1.5;
const TAKEN_OUT_C = 3;
const WITNESS_C = 2;
/** Nothing that happens to a core below this bears on its lethality, °C. */
const WARM_C = 45;
/** A piece that has cooled by this after its peak shows how it cools, °C. */
const TOLD_C = 10;
const NEAR_S = 900;
const COMPARE_EVERY_S = 300;

/** Faults of the probe's upkeep: what it shows is a core, though it earns no credit. */
const PLAUSIBLE: readonly (NoCredit | null)[] = [null, 'calibration', 'flat_line'];

/** Readings of a log in a window that can be a core, every few minutes and the last one. */
function plausible(log: PieceLog, fromS: number, toS: number): Reading[] {
  const out: Reading[] = [];
  let last: Reading | null = null;
  let dueS = -Infinity;
  const { readings, why } = log;
  for (let i = 0; i < readings.length; i += 1) {
    const r = readings[i]!;
    if (r.tS < fromS || r.tS > toS) continue;
    if (why[i] !== null && !PLAUSIBLE.includes(why[i]!)) continue;
    last = r;
    if (r.tS < dueS) continue;
    out.push(r);
    dueS = r.tS + COMPARE_EVERY_S;
  }
  if (last && out.at(-1) !== last) out.push(last);
  return out;
}

/** Longest silences of credited stretches in a window. */
function holesOf(spans: readonly Reading[][], fromS: number, toS: number, slackS: number) {
  const out: Uncovered[] = [];
  let reached = fromS;
  for (const s of spans) {
    if (s[0]!.tS - reached > slackS) out.push({ fromS: reached, toS: s[0]!.tS });
    reached = Math.max(reached, s.at(-1)!.tS);
  }
  if (toS - reached > slackS) out.push({ fromS: reached, toS });
  return out;
}

/** Is `a` nowhere worse than `b` by more than this, in all that a shows from a time on? */
function noWorse(d: Direction, a: readonly Reading[], b: readonly Reading[], byC: number): boolean {
  return a.every((r, i) => {
    const beside = nearest(b, r.tS, NEAR_S);
    if (!beside) return false;
    if (!d.matters(beside.tempC) && !d.matters(r.tempC) && i < a.length - 1) return true;
    return d.worse(r.tempC, beside.tempC) <= byC;
  });
}

function countedOf(c: Case, log: PieceLog, d: Direction, fromS: number, toS: number): Counted {
  const spans = creditedSpans(c, log, fromS, toS);
  const holes = holesOf(spans, fromS, toS, d.slackS(log));
  return { log, spans, holes, lost: holes.at(-1)?.toS === toS };
}

/** Did a log get as far as where its piece can be told from another: warm in the cook, well on its way in the chill? */
function told(d: Direction, shown: readonly Reading[]): boolean {
  const last = shown.at(-1);
  if (!last) return false;
  const peakC = shown.reduce((most, r) => Math.max(most, r.tempC), -Infinity);
  return d.worse(1, 0) > 0 ? last.tempC < peakC - TOLD_C : last.tempC >= WARM_C;
}

/** A log that has every part of the window, and is nowhere better than this one: the window is judged on it. */
const coveredBy = (
  d: Direction,
  x: Counted,
  others: readonly Counted[],
  view: Pick<View, 'fromS' | 'toS'>,
) =>
  told(d, plausible(x.log, view.fromS, view.toS)) &&
  others.some(
    (q) =>
      q !== x &&
      q.holes.length === 0 &&
      noWorse(d, plausible(x.log, view.fromS, view.toS), q.log.readings, SAME_C),
  );

/**
 * The logs that a window is judged on. Every thickest piece that was followed from the window's start counts to
 * its last credited reading. One with a silence drops out only when another that has none was nowhere better
 * than it, or when a person took the probe out with a reason while it was not behind. Other logs (late ones, thin
 * pieces, hand readings beside a probe) count where they show worse.
 */
export function viewOf(
  c: Case,
  d: Direction,
  fromS: number,
  toS: number,
  endOf: (x: PieceLog) => number,
): View {
  const { logs } = pieceLogs(c);
  const sinceS = fromS - NEAR_S;
  const inside = logs.filter((l) => l.readings.some((r) => r.tS >= sinceS && r.tS <= toS));
  const all = inside.map((l) => countedOf(c, l, d, fromS, Math.min(toS, endOf(l))));
  const thick = all.filter((x) => x.log.thickest);
  const fromStart = thick.filter((x) => {
    /* A log of which nothing is believed is a piece that was not followed: it is not passed over in silence. */
    const first = plausible(x.log, sinceS, toS)[0] ?? x.log.readings.find((r) => r.tS >= sinceS);
    return first !== undefined && first.tS - fromS <= d.slackS(x.log);
  });
  const main = fromStart.length > 0 ? fromStart : thick;
  const view: View = { fromS, toS, counted: [], aside: [], worseByHand: null };
  for (const x of main) {
    const { removed } = x.log;
    const last = plausible(x.log, sinceS, toS).slice(-1);
    const others = main.filter((q) => q !== x && !q.lost);
    if (removed && x.lost && others.some((q) => noWorse(d, last, q.log.readings, TAKEN_OUT_C)))
      view.aside.push({ log: x.log, reason: removed.reason, atS: removed.atS });
    else if (x.holes.length === 0 || !coveredBy(d, x, main, { fromS: sinceS, toS }))
      view.counted.push(x);
  }
  const basis = view.counted.filter((x) => !x.lost);
  for (const w of all.filter((x) => !main.includes(x))) {
    const shown = plausible(w.log, sinceS, toS);
    const late = shown.filter((r) => r.tS >= (shown.at(-1)?.tS ?? 0) - NEAR_S);
    const byC = w.log.removed ? TAKEN_OUT_C : WITNESS_C;
    const worse = basis.length > 0 && basis.every((q) => !noWorse(d, late, q.log.readings, byC));
    if (worse) view.counted.push(w);
  }
  view.worseByHand = worseByHand(c, d, basis, fromS, toS);
  return view;
}

/** The last hand reading beside the probes that is worse than all of them, and the first after it that is not. */
function worseByHand(
  c: Case,
  d: Direction,
  basis: readonly Counted[],
  fromS: number,
  toS: number,
): View['worseByHand'] {
  const beside = besideReadings(c).filter((h) => h.tS >= fromS && h.tS <= toS);
  let found: View['worseByHand'] = null;
  for (const h of beside) {
    const near = basis.flatMap((q) => nearest(q.log.readings, h.tS, NEAR_S) ?? []);
    if (near.length === 0 || ![h, ...near].some((r) => d.matters(r.tempC))) continue;
    const worse = near.every((r) => d.worse(h.tempC, r.tempC) > WITNESS_C);
    if (worse) found = { reading: h, answeredS: null };
    else if (found) found.answeredS ??= h.tS;
  }
  return found;
}

/** In the cook the colder piece is worse, from where lethality begins. */
export const cooking = (c: Case): Direction => ({
  worse: (aC, bC) => bC - aC,
  matters: (tempC) => tempC >= WARM_C,
  slackS: (log) => {
    const rule = c.rules.probe_evidence.body;
    return log.byHand.every((h) => h) ? rule.handMaxGapS : rule.maxGapS;
  },
});

/** In the chill the hotter piece is worse, until the rule's last temperature. */
export const chilling = (c: Case): Direction => ({
  worse: (aC, bC) => aC - bC,
  matters: (tempC) => tempC > c.rules.cooling.body.steps.at(-1)!.toC,
  slackS: () => c.rules.probe_evidence.body.chillMaxGapS,
});
