import type { Reading } from '../lethality/reading';
import { evidenceOf, type Evidence, type ProbePhase, type ProbeSource } from '../probes/evidence';
import { runStages } from '../house/run-stage';
import type { Case } from './check';

export type CoreLog = {
  channelId: number | null;
  name: string | null;
  source: ProbeSource;
  thickest: boolean;
  readings: Reading[];
  evidence: Evidence;
};

/** First index whose time is not before (or, with `after`, later than) tS; readings are in time order. */
function firstFrom(readings: readonly Reading[], tS: number, after: boolean): number {
  let low = 0;
  let high = readings.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    const t = readings[middle]!.tS;
    if (after ? t <= tS : t < tS) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Readings of a log in time order between two times, both included. */
export const within = (readings: readonly Reading[], fromS: number, toS: number): Reading[] =>
  readings.slice(firstFrom(readings, fromS, false), firstFrom(readings, toS, true));

/** Air of the house while the batch was in it, not while it lay in water. */
function airAround(c: Case, fromS: number, toS: number): Reading[] {
  const stages = runStages(c.state);
  const endS = c.state.run?.pulledS ?? Infinity;
  const inAir = stages.flatMap((s, i) =>
    s.medium === 'air' ? [{ fromS: s.startS, toS: stages[i + 1]?.startS ?? endS }] : [],
  );
  return c.state.probes
    .filter((p) => p.what === 'air')
    .flatMap((p) =>
      inAir.flatMap((s) =>
        within(
          c.series[p.channelId] ?? [],
          Math.max(fromS, p.fromS, s.fromS),
          Math.min(toS, p.toS ?? Infinity, s.toS),
        ),
      ),
    )
    .sort((a, b) => a.tS - b.tS);
}

/** Core logs of the same thickness in other pieces of the batch. */
const neighboursOf = (c: Case, channelId: number | null, thickest: boolean) =>
  c.state.probes
    .filter((p) => p.what === 'core' && p.thickest === thickest && p.channelId !== channelId)
    .map((p) => within(c.series[p.channelId] ?? [], p.fromS, p.toS ?? Infinity));

/** Logs that were worked out for a case: every check asks for the same ones, and a case never changes. */
const worked = new WeakMap<Case, Map<string, CoreLog[]>>();

/** Every core log of the batch between two times, with what of it is credited. */
export function coreLogs(c: Case, fromS: number, toS: number, phase: ProbePhase): CoreLog[] {
  const known = worked.get(c) ?? new Map<string, CoreLog[]>();
  worked.set(c, known);
  const key = `${fromS}:${toS}:${phase}`;
  const logs = known.get(key) ?? workOut(c, fromS, toS, phase);
  known.set(key, logs);
  return logs;
}

function workOut(c: Case, fromS: number, toS: number, phase: ProbePhase): CoreLog[] {
  const rule = c.rules.probe_evidence.body;
  const make = (
    channelId: number | null,
    name: string | null,
    source: ProbeSource,
    thickest: boolean,
    readings: Reading[],
  ): CoreLog => ({
    channelId,
    name,
    source,
    thickest,
    readings,
    evidence: evidenceOf(readings, {
      ...rule,
      source,
      phase,
      air: phase === 'house' && rule.slidOut ? airAround(c, fromS, toS) : undefined,
      diameterMm: c.recipe.casing.diameterMm,
      neighbours: rule.neighbourC === undefined ? [] : neighboursOf(c, channelId, thickest),
      calibrations: channelId === null ? undefined : c.calibrations[channelId],
    }),
  });
  const logs = c.state.probes
    .filter((p) => p.what === 'core')
    .map((p) =>
      make(
        p.channelId,
        p.name,
        'logger',
        p.thickest,
        within(
          c.series[p.channelId] ?? [],
          Math.max(fromS, p.fromS),
          Math.min(toS, p.toS ?? Infinity),
        ),
      ),
    );
  const hand = c.state.hand
    .filter((h) => h.what === 'core' && h.thickest)
    .map((h) => ({ tS: h.tS, tempC: h.tempC }));
  logs.push(make(null, null, 'hand', true, within(hand, fromS, toS)));
  return logs.filter((l) => l.readings.length > 0);
}

export type Uncovered = { fromS: number; toS: number };

/** Stretches of a window in which no credited log of a thickest piece has anything to show, longer than `slackS`. */
export function uncovered(
  logs: readonly CoreLog[],
  fromS: number,
  toS: number,
  slackS: number,
): Uncovered[] {
  const spans = logs
    .filter((l) => l.thickest)
    .flatMap((l) => l.evidence.spans.map((s) => ({ fromS: s[0]!.tS, toS: s.at(-1)!.tS })))
    .sort((a, b) => a.fromS - b.fromS);
  const out: Uncovered[] = [];
  let reached = fromS;
  for (const s of spans) {
    if (s.fromS - reached > slackS) out.push({ fromS: reached, toS: s.fromS });
    reached = Math.max(reached, s.toS);
  }
  if (toS - reached > slackS) out.push({ fromS: reached, toS });
  return out;
}

/**
 * The logs that a window is judged on. Logger probes without a break come first, and hand readings only
 * where no probe sits in a thickest piece; when no thickest log is unbroken, the thickest ones as they are.
 */
export function judgedLogs(logs: readonly CoreLog[]): CoreLog[] {
  const thick = logs.filter((l) => l.thickest);
  const probes = thick.filter((l) => l.source === 'logger');
  const basis = probes.length > 0 ? probes : thick;
  const whole = (l: CoreLog) => l.evidence.rejected.length === 0 && l.readings.length > 1;
  if (basis.some(whole))
    return [
      ...basis.filter(whole),
      ...logs.filter((l) => !l.thickest && l.source === 'logger' && whole(l)),
    ];
  return basis;
}
