import {
  coreLogs,
  coreTargetOf,
  houseWindow,
  runStages,
  thinReadings,
  within,
  type Case,
  type Reading,
  type ReadingPlace,
  type CoreLog,
  type RunEvent,
} from '@/core';
import { channelsByIds } from '@/features/readings/service';
import type { Handle } from '@/platform/db/client';

export type ChartLine = { name: string; what: ReadingPlace; readings: Reading[] };
export type ChartBand = { name: string; kind: string; fromS: number; toS: number };
/** A time ahead with its band; it is drawn as one, never as a curve of readings. */
export type ChartForecast = { name: string; p10: number; p50: number; p90: number | null };
export type ChartRejected = {
  name: string;
  reason: CoreLog['rejected'][number]['reason'];
  fromS: number;
  toS: number;
};
export type ChartEvent = { event: RunEvent | 'moved' | 'pulled'; name: string; atS: number };
export type RunChartData = {
  lines: ChartLine[];
  setPoints: Reading[];
  bands: ChartBand[];
  targets: { name: string; tempC: number }[];
  forecasts: ChartForecast[];
  rejected: ChartRejected[];
  events: ChartEvent[];
  fromS: number;
  toS: number;
  nowS: number;
};

/** Points of all lines together, and of one at most and at least: no screen shows more. */
const POINTS = { all: 1800, most: 600, least: 200 };
/** Rejections shorter than this are not shaded: the chart would be full of hairs, s. */
const SHORTEST_SHADE_S = 120;

/** A log that is looked at again while nothing came is the same array: it was thinned before. */
type Drawn = { most: number; fromS: number; toS: number; points: Reading[] };
const drawn = new WeakMap<readonly Reading[], Drawn>();

/** A log between two times as a curve shows it. */
function pointsOf(log: readonly Reading[], most: number, fromS: number, toS: number): Reading[] {
  const known = drawn.get(log);
  if (known?.most === most && known.fromS === fromS && known.toS === toS) return known.points;
  const points = thinReadings(within(log, fromS, toS), most);
  drawn.set(log, { most, fromS, toS, points });
  return points;
}

const CHILL_NAMES = { ice_bath: 'Ice bath', shower: 'Shower', cooler: 'Cooler' };

function stageBands(c: Case): ChartBand[] {
  const { run, chill } = c.state;
  if (!run) return [];
  const houseEnd = run.pulledS ?? c.nowS;
  const stages = runStages(c.state);
  const inHouse = stages.map((s, i) => ({
    name: s.stage.name,
    kind: s.stage.kind,
    fromS: s.startS,
    toS: stages[i + 1]?.startS ?? houseEnd,
  }));
  const chills = chill.map((p, i) => ({
    name: CHILL_NAMES[p.medium],
    kind: 'chill',
    fromS: p.startS,
    toS: chill[i + 1]?.startS ?? c.nowS,
  }));
  return [...inHouse, ...chills];
}

function rejectedOf(c: Case, nameOf: (channelId: number | null) => string): ChartRejected[] {
  const window = houseWindow(c);
  if (!window) return [];
  return coreLogs(c, window.fromS, window.toS, 'house').flatMap((log) =>
    log.rejected
      .filter((r) => r.toS - r.fromS >= SHORTEST_SHADE_S)
      .map((r) => ({ ...r, name: nameOf(log.channelId) })),
  );
}

/** First word of a recipe: a label on a curve has no room for more. */
export const shortName = (c: Case) => c.recipe.name.split(' ')[0]!;

/** Events of a run that a curve may be explained by. */
function eventsOf(c: Case): ChartEvent[] {
  const { run } = c.state;
  if (!run) return [];
  const name = shortName(c);
  return [
    ...run.events.map((e) => ({ event: e.event, name, atS: e.atS })),
    ...run.moves.map((m) => ({ event: 'moved' as const, name, atS: m.startS })),
    ...(run.pulledS === null ? [] : [{ event: 'pulled' as const, name, atS: run.pulledS }]),
  ];
}

const setPointsOf = (c: Case, bands: readonly ChartBand[]): Reading[] =>
  runStages(c.state).flatMap((s, i) => [
    { tS: s.startS, tempC: s.stage.rampFromC ?? s.stage.airC },
    { tS: bands[i]!.toS, tempC: s.stage.airC },
  ]);

/**
 * What a chart of one or several batches shows: every probe, set points, stages, targets, what is not
 * credited, events; long logs thinned without losing peaks. Bands and set points are those of the first.
 */
export async function runChart(
  db: Handle,
  cases: readonly Case[],
  forecasts: readonly ChartForecast[] = [],
): Promise<RunChartData | null> {
  const first = cases[0];
  if (!first) return null;
  const starts = cases.flatMap((c) => c.state.run?.startS ?? []);
  const readings = Object.values(first.series).flatMap((s) => s[0]?.tS ?? []);
  const fromS = starts.length > 0 ? Math.min(...starts) : Math.min(...readings);
  if (!Number.isFinite(fromS)) return null;
  const probes = cases.flatMap((c) => c.state.probes.map((p) => ({ c, p })));
  const channels = await channelsByIds(
    db,
    probes.map(({ p }) => p.channelId),
  );
  const several = cases.length > 1;
  const nameOf = (c: Case, id: number | null, given: string | null) => {
    const own = given ?? channels.find((ch) => ch.id === id)?.name ?? 'Probe';
    return several ? `${shortName(c)}, ${own}` : own;
  };
  const share = Math.ceil(POINTS.all / Math.max(1, probes.length));
  const most = Math.min(POINTS.most, Math.max(POINTS.least, share));
  const inside = (c: Case, log: readonly Reading[], from: number, to: number) =>
    pointsOf(log, most, Math.max(fromS, from), Math.min(c.nowS, to));
  const shared = new Set<number>();
  const lines = probes.flatMap(({ c, p }): ChartLine[] => {
    const common = p.what !== 'core';
    if (common && shared.has(p.channelId)) return [];
    if (common) shared.add(p.channelId);
    const log = inside(c, c.series[p.channelId] ?? [], common ? 0 : p.fromS, p.toS ?? Infinity);
    const name = common && several ? nameOf(c, p.channelId, p.name).split(', ').at(-1)! : null;
    return [{ name: name ?? nameOf(c, p.channelId, p.name), what: p.what, readings: log }];
  });
  for (const c of cases)
    for (const what of ['core', 'air'] as const) {
      const hand = c.state.hand.filter((h) => h.what === what).sort((a, b) => a.tS - b.tS);
      if (hand.length === 0) continue;
      const name = `${several ? `${shortName(c)}, ` : ''}${what === 'core' ? (several ? 'core' : 'Core') : 'Air'}, by hand`;
      lines.push({ name, what, readings: inside(c, hand, 0, Infinity) });
    }
  const bands = stageBands(first);
  const last = first.state.run?.program.at(-1);
  const targetC = last && coreTargetOf(last);
  const cooling = cases.find((c) => c.state.run?.pulledS != null);
  return {
    lines: lines.filter((l) => l.readings.length > 0),
    setPoints: setPointsOf(first, bands),
    bands,
    targets: [
      ...(targetC === undefined ? [] : [{ name: 'Core target', tempC: targetC }]),
      ...(cooling?.rules.cooling.body.steps.map((s) => ({ name: 'Cooling', tempC: s.toC })) ?? []),
    ],
    forecasts: [...forecasts],
    rejected: cases.flatMap((c) => rejectedOf(c, (id) => nameOf(c, id, null))),
    events: cases.flatMap(eventsOf),
    fromS,
    toS: Math.max(first.nowS, ...forecasts.map((f) => f.p90 ?? 3 * f.p50 - 2 * f.p10)),
    nowS: first.nowS,
  };
}
