import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { foldBatch, judge, type Case, type Entry, type EntryBody, type RuleSet } from '../src/core';
import { runChart } from '../src/features/batches/chart-data';
import { houseChannels } from '../src/features/readings/repository';
import { loadSeries } from '../src/features/logbook/evidence';
import { addHouse } from '../src/features/settings/service';
import { makeDb, makePool } from '../src/platform/db/client';
import { DEMO_RECIPES } from './demo/recipes';

const DAY_S = 86_400;
const START_S = 1_600_000_000;
const PEAK_C = 96;

/**
 * From the database to the figures of the chart: 24 h of six channels of 1-s readings, judged and thinned.
 * One second of one channel leaps; the chart must still show it.
 */
export async function benchOpenChart(
  url: string,
  rules: RuleSet,
): Promise<Record<string, number | string>> {
  const db = makeDb(makePool(url, 4));
  const houseId = randomUUID();
  const what = ['core', 'core', 'core', 'core', 'air', 'wet_bulb'] as const;
  await addHouse(db, {
    id: houseId,
    name: `Bench ${houseId}`,
    channels: what.map((w, i) => ({ key: `c${i}`, name: `C ${i}`, what: w })),
  });
  const channels = await houseChannels(db, houseId);
  for (const [i, c] of channels.entries())
    await sql`insert into reading select ${c.id}, to_timestamp(${START_S}::float8 + s),
      case when s = 40000 and ${i} = 0 then ${PEAK_C}::real else (40 + ${i} + 25 * sin(s / 9000.0) + (s % 17) * 0.02)::real end
      from generate_series(0, ${DAY_S - 1}) s`.execute(db);
  const by = { id: 'b', name: 'B' };
  const body = (b: EntryBody, i: number): Entry => ({
    id: String(i),
    seq: i + 1,
    happenedS: START_S + i / 1000,
    recordedS: START_S,
    by,
    corrects: null,
    body: b,
  });
  const entries = [
    { kind: 'run_started', houseId } as const,
    ...channels.map(
      (c) =>
        ({
          kind: 'probe_placed',
          channelId: c.id,
          what: c.what,
          thickest: c.key === 'c0',
        }) as const,
    ),
  ].map(body);
  const recipe = DEMO_RECIPES[0]!;
  const times: number[] = [];
  const parts = { load: 0, judge: 0, chart: 0 };
  let highest = 0;
  for (let i = 0; i < 5; i += 1) {
    const begun = performance.now();
    const ids = channels.map((c) => c.id);
    const series = await loadSeries(db, ids, START_S, START_S + DAY_S);
    const loaded = performance.now();
    const state = foldBatch(recipe, entries);
    const c: Case = { recipe, rules, state, series, calibrations: {}, nowS: START_S + DAY_S };
    judge(c);
    const judged = performance.now();
    const chart = (await runChart(db, [c]))!;
    const drawn = performance.now();
    times.push(drawn - begun);
    Object.assign(parts, { load: loaded - begun, judge: judged - loaded, chart: drawn - judged });
    highest = Math.max(...chart.lines[0]!.readings.map((r) => r.tempC));
  }
  await db.destroy();
  const round = (v: number) => Math.round(v);
  return {
    readings: 6 * DAY_S,
    medianMs: round(times.sort((a, b) => a - b)[2]!),
    loadMs: round(parts.load),
    judgeMs: round(parts.judge),
    chartMs: round(parts.chart),
    peakKept: highest === PEAK_C ? 'yes' : 'no',
  };
}
