import fs from 'node:fs';
import { loadOpenStandings } from '../src/features/logbook/open-batches';
import { addDevice, seedRules } from '../src/features/settings/service';
import { houseChannels } from '../src/features/readings/repository';
import type { Db } from '../src/platform/db/client';
import { loadDemo } from './demo/load';
import { DEMO_PEOPLE } from './demo/site';
import { SIZES, addChambers, makeYears } from './bench-years';
import { withApp } from './lib/bench-app';
import { signInDemo } from './lib/sign-in';
import { openSite } from './lib/site-database';

type Say = (measure: string, values: Record<string, number | string>) => void;

/** So many readings of ten seconds make an hour; they come this often here, ms. */
const HOUR_READINGS = 360;
const EVERY_MS = 600;
const BETWEEN_MS = 1000;
/** After its start the application looks at every batch; then it has nothing to do, ms. */
const SETTLES_MS = 30_000;
const DAY_S = 86_400;
const ROWS = 600;
const POSTS = 120;

const median = (ms: number[]) => [...ms].sort((a, b) => a - b)[Math.floor(ms.length / 2)]!;
const round = (x: number, to = 1) => Math.round(x * 10 ** to) / 10 ** to;

/** The pages that people look at most: of a batch with its house, and of one that ripens. */
async function pathsOf(db: Db, houseId: string, ripensIn: string): Promise<Record<string, string>> {
  const open = await loadOpenStandings(db);
  const hung = (id: string) =>
    open.find((s) => s.case.state.run?.houseId === id && s.case.state.run.pulledS === null)!.head
      .id;
  return {
    floor: '/',
    place: `/house/${houseId}`,
    house: `/batches/${hung(houseId)}/house`,
    batch: `/batches/${hung(houseId)}`,
    ripening: `/batches/${hung(ripensIn)}/ripening`,
    records: '/records',
  };
}

async function ask(url: string, cookie: string): Promise<number> {
  const begun = performance.now();
  const answer = await fetch(url, { headers: { cookie } });
  const text = await answer.text();
  if (answer.status !== 200 || !text.includes('</html>'))
    throw new Error(`bench: ${url}: ${answer.status}`);
  return performance.now() - begun;
}

type Feed = { token: string; keys: string[]; fromMs: number; liveMs: number };

async function post(
  base: string,
  feed: Feed,
  rows: { channel: string; at: string; tempC: number }[],
) {
  const answer = await fetch(`${base}/api/v1/readings`, {
    method: 'POST',
    headers: { authorization: `Bearer ${feed.token}`, 'content-type': 'application/json' },
    body: JSON.stringify({ readings: rows }),
  });
  const json = (await answer.json()) as { new?: number };
  if (json.new !== rows.length) throw new Error(`bench: ${JSON.stringify(json).slice(0, 200)}`);
}

/** Rows per second that a place's sensors are taken in with, in posts as a logger makes them after a silence. */
async function ingestRate(base: string, feed: Feed): Promise<number> {
  const times: number[] = [];
  for (let k = 0; k < POSTS; k += 1) {
    const rows = Array.from({ length: ROWS }, (_, i) => ({
      channel: feed.keys[i % feed.keys.length]!,
      at: new Date(
        feed.fromMs + (k * ROWS + Math.floor(i / feed.keys.length)) * 1000,
      ).toISOString(),
      tempC: 13 + (i % 9) / 10,
    }));
    const begun = performance.now();
    await post(base, feed, rows);
    times.push(performance.now() - begun);
  }
  return (ROWS * 1000) / median(times.slice(5));
}

/** Memory of the application's process, MB: of those that were started for its port, the one that does the work. */
function memoryOf(base: string): number {
  const started = `scripts/app.ts\0${new URL(base).port}\0`;
  const sizes = fs
    .readdirSync('/proc')
    .filter((p) => /^\d+$/.test(p))
    .map((p) => {
      try {
        if (!fs.readFileSync(`/proc/${p}/cmdline`, 'utf8').includes(started)) return 0;
        const status = fs.readFileSync(`/proc/${p}/status`, 'utf8');
        return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024;
      } catch {
        return 0;
      }
    });
  return Math.round(Math.max(...sizes));
}

/** An hour of readings of each place, one after the other in their order, a few times faster than they come. */
async function liveHour(base: string, feeds: readonly Feed[], stepS: number): Promise<void> {
  for (let k = 1; k <= HOUR_READINGS; k += 1) {
    const begun = performance.now();
    for (const f of feeds) {
      const at = new Date(f.liveMs + k * stepS * 1000).toISOString();
      await post(
        base,
        f,
        f.keys.map((channel) => ({ channel, at, tempC: 13 + (k % 5) / 10 })),
      );
    }
    await new Promise((go) => setTimeout(go, Math.max(0, EVERY_MS - (performance.now() - begun))));
  }
}

type Setting = {
  what: string;
  paths: Record<string, string>;
  feeds: Feed[];
  /** A place whose sensors make up for a silence. */
  back: Feed;
  stepS: number;
};
type Measured = { pages: Record<string, number>; ingest: number };

/** Median time of each page, ms, and memory, while every place's sensors report; and how fast a silence is made up for. */
async function measure(
  url: string,
  { what, paths, feeds, back, stepS }: Setting,
  say: Say,
): Promise<Measured> {
  return withApp(url, async (base) => {
    const cookie = await signInDemo(base, DEMO_PEOPLE[1]!.email);
    const first: Record<string, number> = {};
    for (const [name, path] of Object.entries(paths))
      first[`${name}FirstMs`] = round(await ask(`${base}${path}`, cookie));
    await new Promise((go) => setTimeout(go, SETTLES_MS));
    const ingest = await ingestRate(base, back);
    const memoryMb = memoryOf(base);
    const times: Record<string, number[]> = {};
    let live = true;
    const hour = liveHour(base, feeds, stepS).finally(() => (live = false));
    const half: number[] = [];
    while (live) {
      for (const [name, path] of Object.entries(paths))
        (times[name] ??= []).push(await ask(`${base}${path}`, cookie));
      half.push(memoryOf(base));
      await new Promise((go) => setTimeout(go, BETWEEN_MS));
    }
    await hour;
    const pages = Object.fromEntries(
      Object.entries(times).map(([n, ms]) => [n, round(median(ms))]),
    );
    const worst = Object.fromEntries(
      Object.entries(times).map(([n, ms]) => [`${n}WorstMs`, round(Math.max(...ms))]),
    );
    say(`years-${what}`, {
      ...first,
      ...Object.fromEntries(Object.entries(pages).map(([n, ms]) => [`${n}Ms`, ms])),
      ...worst,
      looks: half.length,
      ingestRowsPerS: round(ingest, 0),
      memoryMb,
      memoryMiddleMb: half[Math.floor(half.length / 2)]!,
      memoryEndMb: half.at(-1)!,
    });
    return { pages, ingest };
  });
}

/** @param liveS from when on its sensors go on reporting · @param backS where there is room for a silence made up for */
async function feedOf(db: Db, houseId: string, liveS: number, backS: number): Promise<Feed> {
  return {
    token: (await addDevice(db, { name: `Bench ${houseId}`, houseId })).token,
    keys: (await houseChannels(db, houseId)).map((c) => c.key),
    fromMs: backS * 1000,
    liveMs: Math.floor(liveS) * 1000,
  };
}

/** Pages and ingest with an empty demo, then in the same database with five years in it. */
export async function benchYears(ownerUrl: string, say: Say): Promise<void> {
  const nowS = Date.now() / 1000;
  const { url, db } = await openSite(ownerUrl);
  await seedRules(db);
  await loadDemo(db, nowS);
  const houses = await addChambers(db);
  /* Where nothing has been read yet, in both. */
  const back = await feedOf(db, houses[0]!, nowS, nowS - 30 * DAY_S);
  const later = { ...back, fromMs: back.fromMs - DAY_S * 1000 };
  const empty = ['stone', 'loft'];
  const before = await measure(
    url,
    {
      what: 'empty',
      paths: await pathsOf(db, 'big', 'stone'),
      feeds: await Promise.all(empty.map((h) => feedOf(db, h, nowS, 0))),
      back,
      stepS: 1.5,
    },
    say,
  );
  const begun = performance.now();
  /* An hour is left for what comes live. */
  const untilS = Date.now() / 1000 - 2 * 3600;
  const readings = await makeYears(db, ownerUrl, houses, { nowS, untilS });
  const open = (await loadOpenStandings(db)).length;
  const minutes = round((performance.now() - begun) / 60_000);
  say('years-made', { closed: SIZES.closed, open, long: SIZES.long, readings, minutes });
  const after = await measure(
    url,
    {
      what: 'full',
      paths: await pathsOf(db, houses[0]!, houses[0]!),
      feeds: await Promise.all(houses.map((h) => feedOf(db, h, untilS, 0))),
      back: later,
      stepS: 10,
    },
    say,
  );
  const ratios = Object.entries(after.pages).map(([n, ms]) => [n, round(ms / before.pages[n]!, 2)]);
  say('years-ratio', {
    ...Object.fromEntries(ratios),
    ingest: round(after.ingest / before.ingest, 2),
  });
  await db.destroy();
}
