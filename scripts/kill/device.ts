import fs from 'node:fs';
import path from 'node:path';
import pg from 'pg';
import { chromium, type BrowserContext, type Page } from '@playwright/test';
import { DEMO_PASSWORD, DEMO_PEOPLE } from '../demo/site';
import { buildIfNeeded } from '../lib/build';
import { CHROMIUM, DATA } from '../lib/paths';
import { freePort } from '../lib/ports';
import { waitFor } from '../lib/supervisor';
import { randomFrom } from '../studies/random';
import { given, kill, sleep, startVictim, tampering } from './parts';

/** Entries that wait on the device in each round. */
const FULL = 5;
/** Longest that a round takes until the device has nothing left, ms. */
const EMPTY_MS = 90_000;
/** Slower than the supervisor gives up at: many ends within a minute are a loop to it, ms. */
const ROUND_MS = 10_000;

type Device = { folder: string; context: BrowserContext; page: Page };

/** A browser that keeps what it has on disk, as a phone does. */
async function switchOn(folder: string, base: string): Promise<Device> {
  const context = await chromium.launchPersistentContext(folder, {
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu'],
    baseURL: base,
  });
  return { folder, context, page: context.pages()[0] ?? (await context.newPage()) };
}

/** Ends every process of the device's browser outright, as a battery does. */
function pullTheBattery({ folder }: Device): void {
  for (const pid of fs.readdirSync('/proc').filter((p) => /^\d+$/.test(p)))
    try {
      if (fs.readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(folder))
        process.kill(Number(pid), 'SIGKILL');
    } catch {
      /* It has ended by itself meanwhile. */
    }
}

async function signIn(page: Page): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(DEMO_PEOPLE[0]!.email);
  await page.getByLabel('Password').fill(DEMO_PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'Floor' }).waitFor();
}

/** Fills the outbox while there is no network. @returns what was written */
async function fill({ context, page }: Device, at: string, round: number): Promise<string[]> {
  await page.goto(at);
  await context.setOffline(true);
  const written: string[] = [];
  for (let i = 1; i <= FULL; i += 1) {
    const text = `round ${round} note ${i}`;
    await page.getByLabel('Note, or reason for a hold').fill(text);
    await page.getByRole('button', { name: 'Add the note' }).click();
    const kept = i === 1 ? 'One entry is kept' : `${i} entries are kept`;
    await page.getByText(kept).waitFor();
    written.push(text);
  }
  return written;
}

/** Switches the device on again and waits until nothing is kept on it. */
async function emptied(folder: string, base: string, at: string): Promise<Device> {
  await waitFor(`${base}/api/health`);
  const device = await switchOn(folder, base);
  await device.page.goto(at);
  /* A battery that was pulled may take the session with it: what is kept waits for its person. */
  if (device.page.url().includes('/sign-in')) {
    await signIn(device.page);
    await device.page.goto(at);
  }
  await device.page.getByLabel('Note, or reason for a hold').waitFor();
  await sleep(500);
  await device.page
    .getByText(/kept here and will be sent/)
    .waitFor({ state: 'detached', timeout: EMPTY_MS });
  return device;
}

/** `./kettle kill-device N [seed]`: a device with a full outbox is killed while it drains into a server that is killed too. */
export async function killDevice(rounds: number, seed: number): Promise<void> {
  buildIfNeeded();
  const { base, url, stop } = await startVictim(await freePort(3700));
  const folder = path.resolve(DATA, 'device');
  fs.rmSync(folder, { recursive: true, force: true });
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const random = randomFrom(seed);
  const written: string[] = [];
  try {
    const { rows } = await client.query<{ id: string }>(
      'select id from batch where closed_at is null order by started_at desc limit 1',
    );
    const at = `/batches/${rows[0]!.id}/log`;
    let device = await switchOn(folder, base);
    await signIn(device.page);
    for (let i = 1; i <= rounds; i += 1) {
      const begun = Date.now();
      written.push(...(await fill(device, at, i)));
      await device.context.setOffline(false);
      await sleep(random() * 350);
      const serverToo = i % 2 === 0;
      if (serverToo) await kill(['app']);
      await sleep(random() * 150);
      pullTheBattery(device);
      await device.context.close().catch(() => undefined);
      device = await emptied(folder, base, at);
      console.log(`round ${i}${serverToo ? ', server too' : ''}: nothing left on the device`);
      await sleep(Math.max(0, begun + ROUND_MS - Date.now()));
    }
    await device.context.close();
    const found = await client.query<{ name: string }>(
      `select body ->> 'text' as name from entry where kind = 'noted' and body ->> 'text' ~ '^round '`,
    );
    const there = found.rows.map((r) => r.name);
    const lost = written.filter((w) => !there.includes(w));
    const doubled = there.length - new Set(there).size;
    const problems = await tampering(url, given('app', 'JOLLY_LEDGER_KEYS'));
    for (const l of lost) console.log(`LOST ${l}`);
    console.log(
      `${rounds} rounds, ${written.length} entries: ${lost.length} lost, ${doubled} doubled, ${problems.length} findings of verify`,
    );
    process.exitCode = lost.length + doubled + problems.length === 0 ? 0 : 1;
  } finally {
    await client.end();
    await stop();
  }
}
