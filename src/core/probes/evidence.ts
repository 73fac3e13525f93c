import type { Reading } from '../lethality/reading';
import { requireReadings } from '../lethality/reading';
import type { ProbeRule } from '../rules/rule';
import { RULE_PRESETS } from '../rules/tables/presets';
import { isCalibrated, type Calibration } from './calibration';
import { slidOutSpans } from './slid-out';
import { flatSpans } from './stuck';

export type ProbeSource = 'logger' | 'hand';
export type ProbePhase = 'house' | 'chill';
export type RejectReason = 'gap' | 'jump' | 'flat_line' | 'reads_air' | 'drift' | 'calibration';

export type ProbeSpan = { fromS: number; toS: number };
export type Rejection = ProbeSpan & { reason: RejectReason };
/** The stretches of a core log that count, with their readings, and those that do not. */
export type Evidence = { spans: Reading[][]; rejected: Rejection[] };

export type CreditOptions = Partial<Omit<ProbeRule, 'kind'>> & {
  source?: ProbeSource;
  phase?: ProbePhase;
  /** Air around the piece, in time order; without it nobody can say that the probe slid out. */
  air?: readonly Reading[];
  diameterMm?: number;
  /** Other core logs of the same batch and thickness. */
  neighbours?: readonly (readonly Reading[])[];
  /** Checks of this probe; left out, no check is asked for. */
  calibrations?: readonly Calibration[];
};

const { kind: _kind, ...crossed } = RULE_PRESETS.find((p) => p.code === 'probe-crossed')!
  .body as ProbeRule;
/** What counts where no rule says otherwise: the figures of the preset `probe-crossed`. */
export const USUAL_PROBE: Omit<ProbeRule, 'kind'> = crossed;

const USUAL_DIAMETER_MM = 38;

type IndexSpan = [number, number];

/** Stretches longer than `longS` in which the probe is hotter than the coolest of its neighbours by more than `mostC`. */
function driftSpans(
  readings: readonly Reading[],
  neighbours: readonly (readonly Reading[])[],
  mostC: number,
  longS: number,
): IndexSpan[] {
  const at = neighbours.map(() => 0);
  const off = readings.map((r) => {
    let coolest = Infinity;
    neighbours.forEach((n, k) => {
      while (at[k]! < n.length - 1 && n[at[k]! + 1]!.tS <= r.tS) at[k]! += 1;
      const near = n[at[k]!];
      if (near && Math.abs(near.tS - r.tS) <= 300) coolest = Math.min(coolest, near.tempC);
    });
    return r.tempC - coolest > mostC;
  });
  const out: IndexSpan[] = [];
  let start: number | null = null;
  for (let i = 0; i <= readings.length; i += 1) {
    if (off[i]) start ??= i;
    else if (start !== null) {
      if (readings[i - 1]!.tS - readings[start]!.tS > longS) out.push([start, i - 1]);
      start = null;
    }
  }
  return out;
}

function uncalibrated(
  readings: readonly Reading[],
  calibrations: readonly Calibration[],
  maxAgeS: number,
): IndexSpan[] {
  const out: IndexSpan[] = [];
  readings.forEach((r, i) => {
    if (isCalibrated(calibrations, r.tS, maxAgeS)) return;
    const last = out.at(-1);
    if (last && last[1] === i - 1) last[1] = i;
    else out.push([i, i]);
  });
  return out;
}

/** Spans of readings that say nothing, with the reason. */
function badSpans(readings: readonly Reading[], o: CreditOptions): [IndexSpan, RejectReason][] {
  const logger = o.source !== 'hand';
  const house = o.phase !== 'chill';
  const bad: [IndexSpan, RejectReason][] = [];
  const add = (spans: IndexSpan[], reason: RejectReason) =>
    bad.push(...spans.map((s): [IndexSpan, RejectReason] => [s, reason]));
  if (!logger) return bad;
  if (house) add(flatSpans(readings, o.flatLineS ?? Infinity), 'flat_line');
  if (house && o.slidOut && o.air)
    add(slidOutSpans(readings, o.air, o.diameterMm ?? USUAL_DIAMETER_MM), 'reads_air');
  if (o.neighbourC !== undefined && o.neighbours && o.neighbours.length > 0)
    add(driftSpans(readings, o.neighbours, o.neighbourC, o.neighbourS ?? 1200), 'drift');
  if (o.calibrationMaxAgeS !== undefined && o.calibrations)
    add(uncalibrated(readings, o.calibrations, o.calibrationMaxAgeS), 'calibration');
  return bad;
}

function breakBetween(a: Reading, b: Reading, o: CreditOptions): 'gap' | 'jump' | null {
  const house = o.phase !== 'chill';
  const houseGap = o.source === 'hand' ? o.handMaxGapS : o.maxGapS;
  const dt = b.tS - a.tS;
  if (dt > ((house ? houseGap : o.chillMaxGapS) ?? Infinity)) return 'gap';
  const steep = house && o.source !== 'hand' && dt > 0;
  const most = (o.maxCPerMin ?? Infinity) * Math.max(dt / 60, 0.5);
  return steep && Math.abs(b.tempC - a.tempC) > most ? 'jump' : null;
}

/** {@link creditProbe} with the readings of each credited stretch; nothing is asked for that `options` leave out. */
export function evidenceOf(readings: readonly Reading[], options: CreditOptions): Evidence {
  const bad = badSpans(readings, options);
  const rejected: Rejection[] = bad.map(([[from, to], reason]) => ({
    /* A stuck value is stuck from the reading before the first repeat on. */
    fromS: readings[reason === 'flat_line' ? from - 1 : from]!.tS,
    toS: readings[to]!.tS,
    reason,
  }));
  const isBad = new Uint8Array(readings.length);
  for (const [[from, to]] of bad) isBad.fill(1, from, to + 1);
  const spans: Reading[][] = [];
  let span: Reading[] = [];
  readings.forEach((r, i) => {
    const prev = readings[i - 1];
    const reason = prev ? breakBetween(prev, r, options) : null;
    if (prev && reason) rejected.push({ fromS: prev.tS, toS: r.tS, reason });
    if ((reason || isBad[i]) && span.length > 0) {
      spans.push(span);
      span = [];
    }
    if (!isBad[i]) span.push(r);
  });
  if (span.length > 0) spans.push(span);
  return { spans, rejected };
}

/**
 * Credits a core log: what is not credited earns no lethality and closes no gap. A silence longer than
 * `maxGapS`; in the house a change steeper than `maxCPerMin`, a value that stands still for longer than
 * `flatLineS`, a probe that shows the air because it slid out; a probe hotter than its coolest neighbour
 * by more than `neighbourC` for `neighbourS`; and times at which its last check in ice or boiling water was
 * older than `calibrationMaxAgeS`.
 * @param readings core, in time order, s and °C
 * @param options limits, usual ones where left out; what is known of the surroundings
 * @returns credited stretches and rejected ones with the reason, s; they may overlap only in a rejection's end points
 * @throws RangeError when readings are not finite or run back in time
 * @source the site's probe rule; usual values
 */
export function creditProbe(
  readings: readonly Reading[],
  options: CreditOptions = {},
): { credited: ProbeSpan[]; rejected: Rejection[] } {
  requireReadings(readings);
  const { spans, rejected } = evidenceOf(readings, { ...USUAL_PROBE, ...options });
  return {
    credited: spans.map((s) => ({ fromS: s[0]!.tS, toS: s.at(-1)!.tS })),
    rejected: rejected.sort((a, b) => a.fromS - b.fromS),
  };
}
