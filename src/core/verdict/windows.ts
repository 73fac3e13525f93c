import { chillWindows, PEAK_S } from '../cooling/chill-windows';
import type { TimedWindow } from '../cooling/timed-window';
import type { Reading } from '../lethality/reading';
import { withoutSinglePeaks } from '../probes/single-peaks';
import type { StageKind } from '../recipe/stage';
import type { Case } from './check';
import type { NoCredit } from './no-credit';
import { creditedSpans, endsByHand, pieceLogs, type PieceLog } from './pieces';
import { chilling, cooking, viewOf, type View } from './views';

/** Stages of a fermented product that its fermentation judges: the ferment, and the drying before its cook. */
const BEFORE_THE_COOK: readonly StageKind[] = ['ferment', 'hang'];

/**
 * House window of the run so far, or null before it. Fermentation is not part of it, nor the drying that may follow it
 * for days before the cook: what they must show is their own check.
 */
export function houseWindow({ recipe, state, nowS }: Case): { fromS: number; toS: number } | null {
  if (!state.run) return null;
  const first = recipe.fermentation
    ? state.run.stages.find((s) => {
        const stage = state.run!.program[s.index];
        return !stage || !BEFORE_THE_COOK.includes(stage.kind);
      })
    : { startS: state.run.startS };
  return first ? { fromS: first.startS, toS: state.run.pulledS ?? nowS } : null;
}

const views = new WeakMap<Case, { house?: View | null; chill?: View | null }>();

function remembered(c: Case, phase: 'house' | 'chill', make: () => View | null): View | null {
  const known = views.get(c) ?? {};
  views.set(c, known);
  return (known[phase] ??= make());
}

/** What the cook is judged on; null before the run. */
export const houseView = (c: Case): View | null =>
  remembered(c, 'house', () => {
    const window = houseWindow(c);
    return window && viewOf(c, cooking(c), window.fromS, window.toS, () => window.toS);
  });

/** Credited readings of a piece around its pull and after it, dips of a single reading taken off. */
export function chillReadings(c: Case, log: PieceLog): Reading[] {
  const pulledS = c.state.run!.pulledS!;
  const byHand = endsByHand(log);
  const spans = creditedSpans(c, log, pulledS - PEAK_S, c.nowS).map((s) =>
    withoutSinglePeaks(s, 'down', byHand(s)),
  );
  return spans.length === 1 ? spans[0]! : spans.flat();
}

const cooled = new WeakMap<PieceLog, { nowS: number; windows: TimedWindow[] }>();

/** How a piece stands against each step of the cooling rule. */
export function coolingOf(c: Case, log: PieceLog): TimedWindow[] {
  const known = cooled.get(log);
  if (known && known.nowS === c.nowS) return known.windows;
  const pulledS = c.state.run!.pulledS!;
  const { steps } = c.rules.cooling.body;
  const windows = chillWindows({ readings: chillReadings(c, log), pulledS, steps });
  /* What a later, hotter log contradicts ends no clock, but it may have started one. */
  if (log.why.includes('replaced')) {
    const readings = log.readings.filter(
      (r, i) => r.tS >= pulledS - PEAK_S && [null, 'replaced'].includes(log.why[i]!),
    );
    chillWindows({ readings, pulledS, steps }).forEach((early, i) => {
      windows[i] = startedBy(windows[i]!, early.startS);
    });
  }
  cooled.set(log, { nowS: c.nowS, windows });
  return windows;
}

/** The same window with a clock that began earlier. */
function startedBy(w: TimedWindow, startS: number | null): TimedWindow {
  if (startS === null || w.startS === null || startS >= w.startS) return w;
  const elapsedS = w.elapsedS! + w.startS - startS;
  return { ...w, startS, elapsedS, status: elapsedS > w.maxS ? 'fail' : w.status };
}

/** When a piece was cold by the rule; now while it is not. */
const coldS = (c: Case, log: PieceLog) =>
  coolingOf(c, log).reduce((last, w) => Math.max(last, w.endS ?? c.nowS), 0);

/** What the chill is judged on; null before the pull. */
export const chillView = (c: Case): View | null =>
  remembered(c, 'chill', () => {
    const pulledS = c.state.run?.pulledS;
    if (pulledS == null) return null;
    return viewOf(c, chilling(c), pulledS, c.nowS, (log) => coldS(c, log));
  });

/** A core log as screens show it: where it came from, its readings, what is credited and what is not. */
export type CoreLog = {
  channelId: number | null;
  name: string | null;
  source: 'logger' | 'hand';
  thickest: boolean;
  piece: string | null;
  readings: Reading[];
  spans: Reading[][];
  rejected: { fromS: number; toS: number; reason: NoCredit | 'gap' }[];
  /** The window is judged on it. */
  counts: boolean;
};

function asCoreLog(c: Case, log: PieceLog, fromS: number, toS: number, counts: boolean): CoreLog {
  const part = log.parts.find((p) => p.source === 'logger') ?? log.parts[0]!;
  const spans = creditedSpans(c, log, fromS, toS);
  const readings: Reading[] = [];
  const rejected: CoreLog['rejected'] = [];
  let open: CoreLog['rejected'][number] | null = null;
  log.readings.forEach((r, i) => {
    if (r.tS < fromS || r.tS > toS) return;
    readings.push(r);
    const reason = log.why[i]!;
    if (reason !== null && open?.reason === reason) open.toS = r.tS;
    else {
      open = reason === null ? null : { fromS: r.tS, toS: r.tS, reason };
      if (open) rejected.push(open);
    }
  });
  spans.slice(1).forEach((s, i) => {
    const before = spans[i]!.at(-1)!.tS;
    const marked = rejected.some((r) => r.fromS > before && r.toS < s[0]!.tS);
    if (!marked) rejected.push({ fromS: before, toS: s[0]!.tS, reason: 'gap' });
  });
  const { channelId, name, source, piece } = part;
  const { thickest } = log;
  return { channelId, name, source, piece, thickest, readings, spans, rejected, counts };
}

const lookedAt = new WeakMap<Case, Map<string, CoreLog[]>>();

/**
 * Every core log of a batch between two times, with what of it is believed; `counts` by that phase's view. Worked out once for a
 * case and window: several cards of a page ask for it.
 */
export function coreLogs(
  c: Case,
  fromS: number,
  toS: number,
  phase: 'house' | 'chill',
): readonly CoreLog[] {
  const known = lookedAt.get(c) ?? new Map<string, CoreLog[]>();
  lookedAt.set(c, known);
  const key = `${phase}:${fromS}:${toS}`;
  const made = known.get(key) ?? lookAt(c, fromS, toS, phase);
  known.set(key, made);
  return made;
}

function lookAt(c: Case, fromS: number, toS: number, phase: 'house' | 'chill'): CoreLog[] {
  const view = phase === 'house' ? houseView(c) : chillView(c);
  return pieceLogs(c)
    .logs.map((log) =>
      asCoreLog(c, log, fromS, toS, view?.counted.some((x) => x.log === log) ?? log.thickest),
    )
    .filter((l) => l.readings.length > 0);
}

/** The logs of these that are judged; all of them where none is. */
export function judgedLogs(logs: readonly CoreLog[]): CoreLog[] {
  const counted = logs.filter((l) => l.counts);
  return counted.length > 0 ? counted : [...logs];
}
