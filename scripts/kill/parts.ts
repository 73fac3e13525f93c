import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { verifyLogbook } from '../../src/features/records/verify';
import { makePlainDb, makePool } from '../../src/platform/db/client';
import { parseKeys } from '../../src/platform/ledger/keys';
import { bin, DATA, ROOT } from '../lib/paths';
import { startPostgres } from '../lib/postgres';
import { waitFor } from '../lib/supervisor';

export const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

const pidOf = (name: string): number =>
  name === 'postgres'
    ? Number(fs.readFileSync(postmaster(), 'utf8').split('\n')[0])
    : Number(fs.readFileSync(path.join(DATA, 'run', `${name}.pid`), 'utf8'));

let cluster = '';
const postmaster = () => path.join(cluster, 'cluster/postmaster.pid');

/** What a running part was given in its environment. */
export function given(name: string, key: string): string {
  const all = fs.readFileSync(`/proc/${pidOf(name)}/environ`, 'utf8').split('\0');
  return all.find((line) => line.startsWith(`${key}=`))!.slice(key.length + 1);
}

/** Ends parts of the demo outright. */
export async function kill(names: readonly string[]): Promise<void> {
  for (const name of names)
    try {
      process.kill(name === 'postgres' ? pidOf(name) : -pidOf(name), 'SIGKILL');
    } catch {
      await sleep(1000);
    }
}

/** A demo of its own, on a database of its own: who kills may do so here. */
export type Victim = { demo: ChildProcess; base: string; url: string; stop: () => Promise<void> };

/** Starts a fresh demo and waits until all of it is up. */
export async function startVictim(port: number): Promise<Victim> {
  const base = `http://127.0.0.1:${port}`;
  fs.mkdirSync(DATA, { recursive: true });
  const log = fs.openSync(path.join(DATA, 'demo.log'), 'w');
  const demo = spawn(bin('tsx'), ['scripts/main.ts', 'demo', '--fresh'], {
    cwd: ROOT,
    env: { ...process.env, PORT: String(port) },
    stdio: ['ignore', log, log],
  });
  const stop = async () => {
    demo.kill('SIGTERM');
    await new Promise((resolve) => demo.once('exit', resolve));
  };
  try {
    await waitFor(`${base}/api/health`);
    while (!fs.existsSync(path.join(DATA, 'run/simulated-house.pid'))) await sleep(200);
    const server = await startPostgres('pg-demo');
    cluster = server.folder;
    return { demo, base, url: server.url, stop };
  } catch (error) {
    await stop();
    throw error;
  }
}

/** What verify finds in the victim's record. */
export async function tampering(url: string, keys: string): Promise<string[]> {
  const db = makePlainDb(makePool(url, 2));
  try {
    return (await verifyLogbook(db, { keys: parseKeys(keys) })).problems;
  } finally {
    await db.destroy();
  }
}
