import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import pg from 'pg';
import {
  foldBatch,
  judge,
  type Case,
  type Entry,
  type EntryBody,
  type Reading,
  type RuleSet,
  DEFAULT_RULES,
  RULE_PRESETS,
  START_BACK_S,
} from '../src/core';
import { addDevice, addHouse, seedRules } from '../src/features/settings/service';
import { benchBlend, benchFigures } from './bench-formula';
import { benchBoard } from './bench-board';
import { benchOpenChart } from './bench-chart';
import { benchFile } from './bench-files';
import { benchLatency } from './bench-latency';
import { benchYears } from './bench-pages';
import { benchPlans } from './bench-plan';
import { benchJudge, benchOddForecasts } from './bench-trust';
import { benchRefit, benchSimulation, benchThin } from './bench-house';
import { DEMO_RECIPES } from './demo/recipes';
import { buildIfNeeded } from './lib/build';
import { withApp } from './lib/bench-app';
import { ROOT } from './lib/paths';
import { ensureDatabase, startPostgres } from './lib/postgres';
import { readyLedger } from './lib/secret';
import { openSite } from './lib/site-database';

const BATCH = 10_000;
const BATCHES = 30;

const say = (measure: string, values: Record<string, number | string>) =>
  console.log(JSON.stringify({ measure, ...values }));
const rate = (rows: number, ms: number) => Math.round((rows * 1000) / ms);

/** Rows of one channel, a second apart, far in the past so that runs never meet. */
const rowsOf = (k: number, startMs: number) =>
  Array.from({ length: BATCH }, (_, i) => ({
    channel: 'core-1',
    at: new Date(startMs + (k * BATCH + i) * 1000).toISOString(),
    tempC: 20 + ((i * 7) % 500) / 10,
  }));

/** Readings per second through the HTTP interface, and by COPY of the same rows into a table of the same shape. */
async function benchIngest(ownerUrl: string): Promise<void> {
  const { url, db } = await openSite(ownerUrl);
  await seedRules(db);
  const houseId = randomUUID();
  await addHouse(db, {
    id: houseId,
    name: `Bench ${houseId}`,
    channels: [{ key: 'core-1', name: 'Core 1', what: 'core' }],
  });
  const { token } = await addDevice(db, { name: 'Bench', houseId });
  await db.destroy();
  await withApp(url, async (base) => {
    const startMs = Math.floor(Date.now() / 1000 - START_BACK_S / 2) * 1000;
    const bodies = Array.from({ length: BATCHES }, (_, k) =>
      JSON.stringify({ readings: rowsOf(k, startMs) }),
    );
    const begun = performance.now();
    for (const body of bodies) {
      const answer = await fetch(`${base}/api/v1/readings`, {
        method: 'POST',
        headers: { authorization: `Bearer ${token}`, 'content-type': 'application/json' },
        body,
      });
      const json = (await answer.json()) as { new?: number };
      if (json.new !== BATCH) throw new Error(`bench: ${JSON.stringify(json).slice(0, 200)}`);
    }
    const httpMs = performance.now() - begun;
    const copyMs = await copyRows(ownerUrl, startMs);
    say('ingest', {
      rows: BATCH * BATCHES,
      httpPerS: rate(BATCH * BATCHES, httpMs),
      copyPerS: rate(BATCH * BATCHES, copyMs),
      share: Number((copyMs / httpMs).toFixed(2)),
    });
  });
}

async function copyRows(url: string, startMs: number): Promise<number> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(
    'drop table if exists bench_reading; create table bench_reading (like reading including all)',
  );
  const file = path.join(ROOT, '.data/bench.csv');
  const lines = Array.from({ length: BATCHES }, (_, k) =>
    rowsOf(k, startMs)
      .map((r) => `1,${r.at},${r.tempC}`)
      .join('\n'),
  ).join('\n');
  fs.writeFileSync(file, `${lines}\n`);
  const { from } = await import('pg-copy-streams');
  const begun = performance.now();
  await new Promise<void>((resolve, reject) => {
    const stream = client.query(from('copy bench_reading from stdin csv'));
    fs.createReadStream(file).pipe(stream).on('finish', resolve).on('error', reject);
  });
  const ms = performance.now() - begun;
  await client.query('drop table bench_reading');
  await client.end();
  fs.rmSync(file);
  return ms;
}

const RULES = Object.fromEntries(
  Object.entries(DEFAULT_RULES).map(([kind, code]) => [
    kind,
    { id: code, version: 1, ...RULE_PRESETS.find((p) => p.code === code)! },
  ]),
) as unknown as RuleSet;

/** Milliseconds to fold a batch with 100,000 readings into its verdict. */
function benchFold(): void {
  const recipe = DEMO_RECIPES[0]!;
  const bodies: EntryBody[] = [
    {
      kind: 'batch_started',
      plannedMeatG: 30_000,
      readyByS: 9e5,
      recipeVersionId: randomUUID(),
      recipeSha256: '',
      rules: [],
    },
    ...recipe.meat.map((m): EntryBody => ({
      kind: 'weighed',
      lineId: m.id,
      amountG: m.share * 30_000,
      targetG: m.share * 30_000,
      scaleId: 'b',
      scaleResolutionG: 5,
    })),
    { kind: 'run_started', houseId: 'h' },
    { kind: 'probe_placed', channelId: 1, what: 'core', thickest: true },
    { kind: 'probe_placed', channelId: 2, what: 'core', thickest: false },
  ];
  const by = { id: 'p', name: 'P' };
  const entries: Entry[] = bodies.map((body, i) => ({
    id: String(i),
    seq: i + 1,
    happenedS: i,
    recordedS: i,
    by,
    corrects: null,
    body,
  }));
  entries.push({
    id: 'pull',
    seq: 99,
    happenedS: 30_000,
    recordedS: 30_000,
    by,
    corrects: null,
    body: { kind: 'pulled' },
  });
  const curve = (shift: number): Reading[] =>
    Array.from({ length: 50_000 }, (_, i) => ({
      tS: 10 + i,
      tempC:
        i < 30_000
          ? 4 + (66 * i) / 30_000 + shift + (i % 7) * 0.01
          : 70 * Math.exp(-(i - 30_000) / 5000) + (i % 7) * 0.01,
    }));
  const series = { 1: curve(0), 2: curve(0.5) };
  const times = Array.from({ length: 9 }, () => {
    const begun = performance.now();
    const c: Case = {
      recipe,
      rules: RULES,
      state: foldBatch(recipe, entries),
      series,
      calibrations: {},
      nowS: 50_010,
    };
    judge(c);
    return performance.now() - begun;
  }).sort((a, b) => a - b);
  say('fold', {
    readings: 100_000,
    medianMs: Number(times[4]!.toFixed(1)),
    worstMs: Number(times[8]!.toFixed(1)),
  });
}

/** First-load JavaScript of Floor, gzip: every script that its page asks for, as the server sends it. */
async function benchFloor(url: string): Promise<void> {
  const { floorScripts } = await import('./bench-floor');
  const scripts = await floorScripts(url);
  const bytes = scripts.reduce((sum, s) => sum + gzipSync(s.body).length, 0);
  say('floor-first-load-js', { files: scripts.length, gzipKb: Number((bytes / 1024).toFixed(1)) });
}

/** Runs some measures on a database of their own, in the server given or in one that is started for them. */
async function inBench(work: (url: string) => Promise<void>): Promise<void> {
  buildIfNeeded();
  readyLedger('nothing kept');
  const server = process.env.DATABASE_URL
    ? { url: process.env.DATABASE_URL, wasRunning: true, stop: () => undefined }
    : await startPostgres('pg-test');
  const name = `jolly_bench_${process.pid}`;
  try {
    await ensureDatabase(server.url, name);
    await work(server.url.replace(/\/[^/]*$/, `/${name}`));
  } finally {
    const client = new pg.Client({ connectionString: server.url });
    await client.connect();
    await client.query(`drop database if exists ${client.escapeIdentifier(name)} with (force)`);
    await client.end();
    if (!server.wasRunning) server.stop();
  }
}

/** Pages, ingest and memory with five years of readings beside those of an empty demo. */
export const benchOfYears = (): Promise<void> => inBench((url) => benchYears(url, say));

/** Prints one JSON line per measure. */
export const bench = (): Promise<void> =>
  inBench(async (url) => {
    benchFold();
    say('judge-with-envelope', await benchJudge());
    say('read-file-of-200000-rows', await benchFile());
    say('forecast-odd-logs-of-5000', benchOddForecasts());
    say('figures-60-lines', benchFigures(RULES));
    say('blend-12-trims', benchBlend());
    await benchPlans(say);
    say('simulate-24h-40-shells', benchSimulation());
    say('forecast-refit-12h', benchRefit());
    say('chart-thin-24h-6x1s', benchThin());
    await benchIngest(url);
    say('chart-24h-6x1s', await benchOpenChart(url, RULES));
    await benchFloor(url);
    for (const [what, figures] of Object.entries(await benchBoard(url)))
      say(`board-40-batches-${what}`, figures);
    for (const [name, figures] of Object.entries(await benchLatency(url)))
      say(`health-while-${name}`, figures);
  });
