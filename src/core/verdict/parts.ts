import type { Reading } from '../lethality/reading';
import type { Author } from '../logbook/author';
import { within } from '../probes/series-at';
import type { Case } from './check';

/** A stretch of core readings that came one way: a probe while it was placed, or a hand thermometer. */
export type Part = {
  channelId: number | null;
  name: string | null;
  /** The piece by name, where somebody gave one. */
  piece: string | null;
  thickest: boolean;
  source: 'logger' | 'hand';
  readings: Reading[];
  removed: { atS: number; reason: string; by: Author } | null;
};

const loggerParts = (c: Case): Part[] =>
  c.state.probes
    .filter((p) => p.what === 'core')
    .map((p) => ({
      channelId: p.channelId,
      name: p.name,
      piece: p.position,
      thickest: p.thickest,
      source: 'logger' as const,
      readings: within(c.series[p.channelId] ?? [], p.fromS, p.toS ?? Infinity),
      removed: p.removed && p.toS !== null ? { atS: p.toS, ...p.removed } : null,
    }));

type HandReading = Reading & { piece: string | null };

const handReadings = (c: Case): HandReading[] =>
  c.state.hand
    .filter((h) => h.what === 'core' && h.thickest)
    .map(({ tS, tempC, piece }) => ({ tS, tempC, piece }))
    .sort((a, b) => a.tS - b.tS);

const handPart = (readings: Reading[], piece: string | null): Part => ({
  channelId: null,
  name: null,
  piece,
  thickest: true,
  source: 'hand',
  readings,
  removed: null,
});

type Live = { fromS: number; toS: number; piece: string | null };

const liveSpans = (loggers: readonly Part[]): Live[] =>
  loggers
    .filter((p) => p.thickest && p.readings.length > 0)
    .map((p) => ({ fromS: p.readings[0]!.tS, toS: p.readings.at(-1)!.tS, piece: p.piece }));

const beside = (live: readonly Live[], h: HandReading) =>
  live.some((l) => h.tS >= l.fromS && h.tS <= l.toS && (h.piece === null || h.piece === l.piece));

/** Hand readings that a probe in a thickest piece was live beside: they speak for or against it. */
export function besideReadings(c: Case): Reading[] {
  const live = liveSpans(loggerParts(c));
  return handReadings(c).filter((h) => beside(live, h));
}

/** Hand readings where no probe was: one log for each named piece, and runs of the unnamed between probes. */
function handParts(c: Case, loggers: readonly Part[]): Part[] {
  const live = liveSpans(loggers);
  const alone = handReadings(c).filter((h) => !beside(live, h));
  const out: Part[] = [];
  const open = new Map<string | null, { part: Part; lastS: number }>();
  for (const h of alone) {
    const run = open.get(h.piece);
    const between = run && live.some((l) => l.fromS > run.lastS && l.toS < h.tS);
    if (run && !between) {
      run.part.readings.push(h);
      run.lastS = h.tS;
    } else {
      const part = handPart([h], h.piece);
      out.push(part);
      open.set(h.piece, { part, lastS: h.tS });
    }
  }
  return out;
}

/** Every stretch of core readings of a batch, by when it began. */
export function partsOf(c: Case): Part[] {
  const loggers = loggerParts(c);
  return [...loggers, ...handParts(c, loggers)]
    .filter((p) => p.readings.length > 0)
    .sort((a, b) => a.readings[0]!.tS - b.readings[0]!.tS);
}
