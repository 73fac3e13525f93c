import { thinReadings, type Case, type Reading, type ReadingPlace } from '@/core';
import { channelsByIds } from '@/features/readings/repository';
import type { Handle } from '@/platform/db/client';

export type ChartLine = { name: string; what: ReadingPlace; readings: Reading[] };
export type ChartBand = { name: string; kind: string; fromS: number; toS: number };
export type RunChartData = {
  lines: ChartLine[];
  setPoints: Reading[];
  bands: ChartBand[];
  targets: { name: string; tempC: number }[];
  fromS: number;
  toS: number;
};

const MOST_POINTS = 600;

function stageBands(c: Case): ChartBand[] {
  const { run, chill } = c.state;
  if (!run) return [];
  const houseEnd = run.pulledS ?? c.nowS;
  const stages = run.stages.map((s, i) => ({
    name: c.recipe.program[s.index]?.name ?? 'Stage',
    kind: c.recipe.program[s.index]?.kind ?? 'cook',
    fromS: s.startS,
    toS: run.stages[i + 1]?.startS ?? houseEnd,
  }));
  const names = { ice_bath: 'Ice bath', shower: 'Shower', cooler: 'Cooler' };
  const chills = chill.map((p, i) => ({
    name: names[p.medium],
    kind: 'chill',
    fromS: p.startS,
    toS: chill[i + 1]?.startS ?? c.nowS,
  }));
  return [...stages, ...chills];
}

/** What a run's chart shows: every probe, set points, stage bands, target lines; long logs thinned without losing peaks. */
export async function runChart(db: Handle, c: Case): Promise<RunChartData | null> {
  const { run } = c.state;
  const fromS = run?.startS ?? Math.min(...Object.values(c.series).flatMap((s) => s[0]?.tS ?? []));
  if (!Number.isFinite(fromS)) return null;
  const channels = await channelsByIds(
    db,
    c.state.probes.map((p) => p.channelId),
  );
  const inside = (readings: readonly Reading[]) =>
    thinReadings(
      readings.filter((r) => r.tS >= fromS && r.tS <= c.nowS),
      MOST_POINTS,
    );
  const lines: ChartLine[] = c.state.probes.map((p) => ({
    name: p.name ?? channels.find((ch) => ch.id === p.channelId)?.name ?? 'Probe',
    what: p.what,
    readings: inside(c.series[p.channelId] ?? []),
  }));
  for (const what of ['core', 'air'] as const) {
    const hand = c.state.hand.filter((h) => h.what === what);
    if (hand.length > 0)
      lines.push({
        name: `${what === 'core' ? 'Core' : 'Air'}, by hand`,
        what,
        readings: inside(hand),
      });
  }
  const bands = stageBands(c);
  const setPoints = (run?.stages ?? []).flatMap((s, i) => {
    const tempC = c.recipe.program[s.index]?.airC;
    return tempC === undefined
      ? []
      : [
          { tS: s.startS, tempC },
          { tS: bands[i]!.toS, tempC },
        ];
  });
  const endCoreC = c.state.run?.program.at(-1)?.endCoreC;
  const targets = [
    ...(endCoreC === undefined ? [] : [{ name: 'Core target', tempC: endCoreC }]),
    ...(run?.pulledS == null
      ? []
      : c.rules.cooling.body.steps.map((s) => ({ name: 'Cooling', tempC: s.toC }))),
  ];
  return {
    lines: lines.filter((l) => l.readings.length > 0),
    setPoints,
    bands,
    targets,
    fromS,
    toS: c.nowS,
  };
}
