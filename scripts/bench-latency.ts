import http from 'node:http';

import { sql } from 'kysely';
import { chromium, type Page } from 'playwright-core';
import { makeDb, makePool, type Db } from '../src/platform/db/client';
import { houseChannels } from '../src/features/readings/repository';
import { loadOpenStandings } from '../src/features/logbook/open-batches';
import { loadDemo } from './demo/load';
import { DEMO_PASSWORD, DEMO_PEOPLE } from './demo/site';
import { withApp } from './lib/bench-app';
import { CHROMIUM } from './lib/paths';

const EVERY_MS = 20;
const DAY_S = 86_400;
/** A probe reports so often, s. */
const STEP_S = 5;
/** Between two openings of the page, ms. */
const APART_MS = 3000;
const FILE_BYTES = 9_900_000;
const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** A day of readings on every channel of a house; its cores show what no core does. */
async function fillHouse(db: Db, houseId: string): Promise<void> {
  const fromS = Math.floor(Date.now() / 1000) - DAY_S;
  for (const [i, c] of (await houseChannels(db, houseId)).entries())
    await sql`insert into reading select ${c.id}, to_timestamp(${fromS}::float8 + s + 0.5),
      (20 + ${i} + 25 * sin(s / 900.0) + (s % 17) * 2)::real
      from generate_series(0, ${DAY_S - 2}, ${STEP_S}) s on conflict do nothing`.execute(db);
}

function loggerFile(): Buffer {
  const start = Date.now() - 20 * 3600_000;
  const lines = ['Time,Core °C,Air °C'];
  for (let i = 0, size = 0; size < FILE_BYTES; i += 1) {
    const at = new Date(start + i * 300).toISOString().replace('T', ' ').slice(0, 23);
    const line = `${at},${(4 + (i % 700) / 10).toFixed(2)},${(60 + (i % 90) / 10).toFixed(2)}`;
    size += line.length + 1;
    lines.push(line);
  }
  return Buffer.from(lines.join('\n'));
}

/** Asks as somebody who comes anew. */
const ask = (url: string) =>
  new Promise<void>((resolve, reject) => {
    http
      .get(url, { agent: false }, (answer) => answer.resume().on('end', resolve))
      .on('error', reject);
  });

/** Asks for the application's health again and again until it is told to stop. */
function sample(
  base: string,
): () => Promise<{ asked: number; p50Ms: number; p99Ms: number; worstMs: number }> {
  const times: number[] = [];
  let going = true;
  const loop = (async () => {
    while (going) {
      const begun = performance.now();
      await ask(`${base}/api/health`);
      times.push(performance.now() - begun);
      await sleep(EVERY_MS);
    }
  })();
  return async () => {
    going = false;
    await loop;
    times.sort((a, b) => a - b);
    const at = (q: number) =>
      Math.round(times[Math.min(times.length - 1, Math.floor(q * times.length))]!);
    return { asked: times.length, p50Ms: at(0.5), p99Ms: at(0.99), worstMs: at(1) };
  };
}

async function signIn(page: Page, base: string): Promise<void> {
  await page.goto(`${base}/sign-in`);
  await page.getByLabel('E-mail').fill(DEMO_PEOPLE[0]!.email);
  await page.getByLabel('Password').fill(DEMO_PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'Floor' }).waitFor();
}

/** How long others wait while a 10 MB file is read, an odd probe is forecast, and a chart of 24 h is drawn. */
export async function benchLatency(url: string): Promise<Record<string, Record<string, number>>> {
  const db = makeDb(makePool(url, 4));
  await loadDemo(db, Date.now() / 1000);
  await fillHouse(db, 'big');
  const batch = (await loadOpenStandings(db)).find(
    (s) => s.case.state.run?.houseId === 'big' && s.case.state.run.pulledS === null,
  )!;
  await db.destroy();
  return withApp(url, (base) => measure(base, `/batches/${batch.head.id}/house`));
}

async function measure(
  base: string,
  path: string,
): Promise<Record<string, Record<string, number>>> {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const page = await browser.newPage();
    await signIn(page, base);
    const results: Record<string, Record<string, number>> = {};
    const during = async (name: string, work: () => Promise<unknown>) => {
      const stop = sample(base);
      const begun = performance.now();
      await work();
      results[name] = { tookMs: Math.round(performance.now() - begun), ...(await stop()) };
    };
    const at = `${base}${path}`;
    /* Not what a program does once after its start: every part of it has been loaded. */
    await page.goto(at);
    await page.locator('svg').first().waitFor();
    await during('nothing', () => sleep(3000));
    await during('oddForecastAndChart24h', async () => {
      for (let i = 0; i < 5; i += 1) {
        await page.goto(at);
        await page.locator('svg').first().waitFor();
        await sleep(APART_MS);
      }
    });
    await during('file10MB', async () => {
      await page.getByLabel('CSV file of a temperature logger').setInputFiles({
        name: 'big.csv',
        mimeType: 'text/csv',
        buffer: loggerFile(),
      });
      await page
        .getByRole('button', { name: 'Import into this batch' })
        .waitFor({ timeout: 60_000 });
    });
    return results;
  } finally {
    await browser.close();
  }
}
