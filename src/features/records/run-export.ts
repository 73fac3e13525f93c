import { toCsv } from '@/platform/csv';
import { runStages, stageAt, type Reading } from '@/core';
import type { WholeDossier } from '@/features/logbook/service';
import { channelsByIds } from '@/features/readings/service';
import type { Handle } from '@/platform/db/client';

export const RUN_FORMAT = 'jolly-kettle/run/1';

const iso = (epochS: number) => new Date(epochS * 1000).toISOString();

export type RunExport = {
  format: string;
  batch: string;
  recipe: string;
  startedAt: string;
  pulledAt: string | null;
  stages: { name: string; place: string; setC: number; startedAt: string }[];
  events: { event: string; at: string; by: string; text: string | null }[];
  channels: { name: string; what: string; thickest: boolean; readings: [string, number][] }[];
};

/** A run as plain data: stages, events, every probe’s readings while it was in use; SI units, UTC. null before the run. */
export async function runJson(db: Handle, d: WholeDossier): Promise<RunExport | null> {
  const { run, probes } = d.case.state;
  if (!run) return null;
  const known = await channelsByIds(
    db,
    probes.map((p) => p.channelId),
  );
  return {
    format: RUN_FORMAT,
    batch: d.head.code,
    recipe: d.head.recipe.name,
    startedAt: iso(run.startS),
    pulledAt: run.pulledS === null ? null : iso(run.pulledS),
    stages: runStages(d.case.state).map((s) => ({
      name: s.stage.name,
      place: s.place,
      setC: s.stage.airC,
      startedAt: iso(s.startS),
    })),
    events: run.events.map((e) => ({
      event: e.event,
      at: iso(e.atS),
      by: e.by.name,
      text: e.text,
    })),
    channels: probes.map((p) => ({
      name: p.name ?? known.find((c) => c.id === p.channelId)?.name ?? `channel ${p.channelId}`,
      what: p.what,
      thickest: p.thickest,
      readings: inUse(d.originals[p.channelId] ?? [], p.fromS, p.toS).map((r) => [
        iso(r.tS),
        shownC(r.tempC),
      ]),
    })),
  };
}

/** As finely as any probe shows; offsets are taken off in binary, which nobody wants to read. */
export const shownC = (tempC: number) => Math.round(tempC * 1000) / 1000;

const inUse = (log: readonly Reading[], fromS: number, toS: number | null) =>
  log.filter((r) => r.tS >= fromS && r.tS <= (toS ?? Infinity));

/** The same as one table, a reading a row, with the stage that it falls into. */
export async function runCsv(db: Handle, d: WholeDossier): Promise<string | null> {
  const run = await runJson(db, d);
  if (!run) return null;
  const rows = run.channels.flatMap((c) =>
    c.readings.map(([at, tempC]) => ({
      at_utc: at,
      stage: stageAt(d.case.state, Date.parse(at) / 1000)?.stage.name ?? 'chill',
      probe: c.name,
      what: c.what,
      temp_c: tempC,
    })),
  );
  return toCsv(rows, ['at_utc', 'stage', 'probe', 'what', 'temp_c']);
}
