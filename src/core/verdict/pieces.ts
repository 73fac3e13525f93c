import type { Reading } from '../lethality/reading';
import type { Author } from '../logbook/author';
import { isTrusted } from '../probes/calibration';
import { believe, continuous, slackOf, type Belief, type BelieveInput } from '../probes/believe';
import { answerOf, Bounds } from '../probes/bounds';
import { extremeCourse, type CourseAt } from '../probes/course';
import { stuckSpans } from '../probes/stuck';
import { tracksAirSpans } from '../probes/tracks-air';
import type { Case } from './check';
import { knownTemps } from './known-temps';
import type { NoCredit } from './no-credit';
import { partsOf, type Part } from './parts';
import {
  HOUSE_FILM,
  LATE_START_S,
  logsOf,
  surroundingsOf,
  type CaseSurroundings,
} from './surroundings';

/** All that was read in one piece over the batch's life, by whichever probes, with what is believed of it. */
export type PieceLog = {
  parts: Part[];
  /** How many readings of each part count: a faulty tail that a person ended does not. */
  taken: number[];
  thickest: boolean;
  readings: Reading[];
  /** Of each reading: by hand? */
  byHand: boolean[];
  /** Of each reading: null when it is credited. */
  why: (NoCredit | null)[];
  /** Taken out by a person's decision that stands: nothing followed in this piece. */
  removed: { atS: number; reason: string; by: Author } | null;
};

/** A faulty tail of a probe that a person then took out may be this long, s. */
const FAULTY_TAIL_S = 1800;
/** Warmest and coldest raw meat that comes to a house where nobody measured it, °C. */
const RAW_C = { low: -5, high: 40 };

export type Envelope = {
  around: CaseSurroundings;
  input: (readings: readonly Reading[], start: Bounds) => BelieveInput;
  /** Share of its distance that a core closes per second at most in a house without steam. */
  quickest: number;
  /** What a core can be when a log begins at this time. */
  startAt: (tS: number) => Bounds;
};

/** The hottest and the coldest course that a core of the case can take. */
type Extremes = { ceilingC?: CourseAt; floorC?: CourseAt };

/** The bounds of a case: surroundings, and the two runs of the model through the first stay in the house. */
export function envelopeOf(c: Case): Envelope {
  const around = surroundingsOf(c);
  const { diameterMm, pieceMm } = c.recipe.casing;
  const answer = answerOf(diameterMm, pieceMm);
  const { run } = c.state;
  const known = knownTemps(c);
  const startAt = (tS: number): Bounds => {
    const hotFromS = run ? run.startS - LATE_START_S : Infinity;
    const last = known.findLast((k) => k.tS <= Math.min(tS, hotFromS));
    const fromS = last?.tS ?? Math.min(tS, hotFromS);
    const bounds = new Bounds(answer, fromS, RAW_C.low, RAW_C.high);
    if (last) bounds.highC = Math.min(RAW_C.high, last.tempC + 3.5);
    for (const at of stepsBetween(fromS, tS)) bounds.carry(at, around.around(at));
    return bounds;
  };
  const piece = { diameterMm, lengthMm: pieceMm };
  const work = (): Extremes => {
    if (!run) return {};
    const fromS = run.startS - LATE_START_S;
    const toS = Math.min(run.pulls[0]?.atS ?? c.nowS, fromS + 96 * 3600);
    if (toS <= fromS) return {};
    const start = startAt(fromS);
    const course = (which: 'hottest' | 'coldest', fromC: number) =>
      extremeCourse(piece, which, fromC, fromS, toS, around.around);
    return {
      ceilingC: course('hottest', start.highC),
      ...(around.logged ? { floorC: course('coldest', start.lowC) } : {}),
    };
  };
  let extremes: Extremes | null = null;
  const { maxCPerMin } = c.rules.probe_evidence.body;
  return {
    around,
    quickest: answer.fastest(HOUSE_FILM),
    startAt,
    input: (readings, start) => ({
      readings,
      answer,
      slackC: slackOf(readings),
      around: around.around,
      helpsAt: around.helpsAt,
      start,
      ...(extremes ??= work()),
      maxCPerMin: (tS) => (around.inAir(tS) ? maxCPerMin : Infinity),
    }),
  };
}

function stepsBetween(fromS: number, toS: number): number[] {
  const n = Math.min(300, Math.max(1, Math.ceil((toS - fromS) / 300)));
  return Array.from({ length: n }, (_, i) => fromS + ((toS - fromS) * (i + 1)) / n);
}

/** Readings of a part without the faulty tail that a person took the probe out for. */
function withoutTail(part: Part, e: Envelope): Reading[] {
  const { readings } = part;
  const last = readings.at(-1);
  if (!part.removed || !last) return readings;
  const input = e.input(readings, e.startAt(readings[0]!.tS));
  for (let i = readings.length - 1; i > 0; i -= 1) {
    if (last.tS - readings[i]!.tS > FAULTY_TAIL_S) break;
    if (!continuous(input, readings[i - 1]!, readings[i]!)) return readings.slice(0, i);
  }
  return readings;
}

type Chain = {
  parts: Part[];
  taken: number[];
  readings: Reading[];
  byHand: boolean[];
  belief: Belief;
};

/** May this part go on where a chain ended: a probe replaced in the same piece, a thermometer after a logger? */
function goesOn(c: Case, chain: Chain, part: Part, readings: Reading[], e: Envelope): boolean {
  const before = chain.parts.at(-1)!;
  const [last, first] = [chain.readings.at(-1), readings[0]];
  if (!last || !first || before.thickest !== part.thickest || first.tS < last.tS) return false;
  if (before.piece !== null && part.piece !== null && before.piece !== part.piece) return false;
  const rule = c.rules.probe_evidence.body;
  const byHand = before.source === 'hand' || part.source === 'hand';
  const chill = e.around.helpsAt(first.tS) === 'down';
  const most = chill ? rule.chillMaxGapS : byHand ? rule.handMaxGapS : rule.maxGapS;
  if (first.tS - last.tS > most) return false;
  const bounds = chain.belief.end.copy();
  for (const at of stepsBetween(bounds.tS, first.tS)) bounds.carry(at, e.around.around(at));
  return bounds.outside(first.tempC) === 0;
}

const beliefOf = (e: Envelope, readings: readonly Reading[]): Belief =>
  believe(e.input(readings, e.startAt(readings[0]!.tS)));

function chainsOf(c: Case, all: readonly Part[], e: Envelope): Chain[] {
  const chains: Chain[] = [];
  for (const part of all) {
    const readings = withoutTail(part, e);
    const flags = readings.map(() => part.source === 'hand');
    const able = chains.filter((x) => goesOn(c, x, part, readings, e));
    /* The same name first; else the one that helps least. */
    const up = readings.length > 0 && e.around.helpsAt(readings[0]!.tS) === 'up';
    const unhelpful = (a: Chain, b: Chain) =>
      (up ? 1 : -1) * (a.readings.at(-1)!.tempC - b.readings.at(-1)!.tempC);
    const named = able.filter((x) => part.piece !== null && x.parts.at(-1)!.piece === part.piece);
    const onto = [...(named.length > 0 ? named : able)].sort(unhelpful)[0];
    if (onto) {
      onto.parts.push(part);
      onto.taken.push(readings.length);
      onto.readings.push(...readings);
      onto.byHand.push(...flags);
    } else if (readings.length > 0) {
      chains.push({
        parts: [part],
        taken: [readings.length],
        readings: [...readings],
        byHand: flags,
        belief: beliefOf(e, readings),
      });
    }
    if (onto && readings.length > 0) onto.belief = beliefOf(e, onto.readings);
  }
  return chains;
}

/** The rules that look at one probe alone: stuck, showing the air, checked too long ago or found wrong since. */
function markFaults(c: Case, log: PieceLog, e: Envelope): void {
  const rule = c.rules.probe_evidence.body;
  const { readings, why } = log;
  const mark = ([from, to]: [number, number], reason: NoCredit) => {
    for (let i = from; i <= to; i += 1) why[i] ??= reason;
  };
  /* A value that stands still helps where it earns lethality, or where it keeps the product cold. */
  const creditC = c.rules.lethality.body.model.creditFromC ?? c.rules.come_up.body.toC;
  const helpful = (t: number) => t >= creditC || t <= c.rules.come_up.body.fromC;
  const inHouse = (i: number) => e.around.helpsAt(readings[i]!.tS) === 'up';
  for (const span of stuckSpans(readings, rule.flatLineS, e.around.around))
    if (inHouse(span[1]) && !log.byHand[span[0]] && helpful(readings[span[1]]!.tempC))
      mark(span, 'flat_line');
  for (const air of logsOf(c, 'air'))
    for (const span of tracksAirSpans(readings, air, 1 / e.quickest))
      if (inHouse(span[0]) && !log.byHand[span[0]] && e.around.inAir(readings[span[0]]!.tS))
        mark(span, 'reads_air');
  for (const part of log.parts) {
    const checks = part.channelId === null ? undefined : c.calibrations[part.channelId];
    const [first, last] = [part.readings[0], part.readings.at(-1)];
    if (!checks || !first || !last) continue;
    readings.forEach((r, i) => {
      if (r.tS < first.tS || r.tS > last.tS || log.byHand[i]) return;
      if (!isTrusted(checks, r.tS, rule.calibrationMaxAgeS)) why[i] ??= 'calibration';
    });
  }
}

type Worked = { envelope: Envelope; parts: Part[]; logs: PieceLog[] };
const worked = new WeakMap<Case, Worked>();

/** A piece's log from its parts and what is believed of each reading. */
export function logOf(parts: Part[], taken: number[], why: (NoCredit | null)[]): PieceLog {
  const { thickest, removed } = parts.at(-1)!;
  const readings = parts.flatMap((p, i) => p.readings.slice(0, taken[i]));
  const byHand = parts.flatMap((p, i) => new Array<boolean>(taken[i]!).fill(p.source === 'hand'));
  return { parts, taken, thickest, readings, byHand, why, removed };
}

function workOut(c: Case): Worked {
  const envelope = envelopeOf(c);
  const all = partsOf(c);
  const logs = chainsOf(c, all, envelope).map(({ parts, taken, belief }) => {
    const log = logOf(parts, taken, belief.why);
    markFaults(c, log, envelope);
    return log;
  });
  return { envelope, parts: all, logs };
}

/** Every piece's log with what is believed of it, and the bounds behind that; worked out once for a case. */
export function pieceLogs(c: Case): Worked {
  const known = worked.get(c);
  if (known) return known;
  const made = workOut(c);
  worked.set(c, made);
  return made;
}

/** Takes logs that were worked out elsewhere for what is known of a case. */
export function knowLogs(c: Case, make: (parts: Part[]) => PieceLog[]): void {
  const parts = partsOf(c);
  worked.set(c, { envelope: envelopeOf(c), parts, logs: make(parts) });
}

/** Credited readings of a log between two times, as stretches without a silence longer than the rule allows. */
export function creditedSpans(c: Case, log: PieceLog, fromS: number, toS: number): Reading[][] {
  const rule = c.rules.probe_evidence.body;
  const { around } = pieceLogs(c).envelope;
  const { readings, why, byHand } = log;
  const least = Math.min(rule.maxGapS, rule.handMaxGapS, rule.chillMaxGapS);
  const spans: Reading[][] = [];
  let open: Reading[] = [];
  let last = -1;
  for (let i = 0; i < readings.length; i += 1) {
    const r = readings[i]!;
    if (r.tS < fromS || r.tS > toS || why[i] !== null) continue;
    const dtS = last < 0 ? Infinity : r.tS - readings[last]!.tS;
    if (dtS > least) {
      const chill = around.helpsAt(r.tS) === 'down';
      const hand = byHand[i] || (last >= 0 && byHand[last]!);
      const most = chill ? rule.chillMaxGapS : hand ? rule.handMaxGapS : rule.maxGapS;
      if (dtS > most) spans.push((open = []));
    }
    open.push(r);
    last = i;
  }
  return spans;
}

/** Was the last reading of a stretch of this log taken by hand? */
export function endsByHand(log: PieceLog): (span: readonly Reading[]) => boolean {
  if (!log.byHand.includes(true)) return () => false;
  const byHand = new Set(log.readings.filter((_, i) => log.byHand[i]));
  return (span) => byHand.has(span.at(-1)!);
}
