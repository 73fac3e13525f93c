import fs from 'node:fs';
import path from 'node:path';
import { backUp, restore } from './lib/archive';
import { BACKUPS, backupsKept, dropOld } from './lib/backup-clock';
import { AlreadyRunning, OneAtATime } from './lib/one-at-a-time';
import { startPostgres } from './lib/postgres';
import { noteRestored } from '../src/platform/ledger/anchor';
import { allSecrets, anchorsOf, keepSecrets } from './lib/secret';

async function withServer<T>(work: (url: string) => Promise<T>): Promise<T> {
  const given = process.env.JOLLY_OWNER_URL ?? process.env.DATABASE_URL;
  if (given) return work(given);
  const server = await startPostgres('pg');
  try {
    return await work(server.url);
  } finally {
    if (!server.wasRunning) server.stop();
  }
}

/** `./kettle backup [file]`: everything of the site in one file, while it runs. */
export async function backup(to?: string): Promise<void> {
  fs.mkdirSync(BACKUPS, { recursive: true, mode: 0o700 });
  const stamp = new Date().toISOString().replace(/[:.]/g, '-');
  const file = path.resolve(to ?? path.join(BACKUPS, `kettle-${stamp}.tar`));
  if (fs.existsSync(file)) return fail(`${file} is there already: give another name.`);
  const { entries, lastHash } = await withServer((url) => backUp(url, allSecrets(), file));
  /* With none kept by the clock, those that a person makes stay. */
  if (!to && backupsKept() > 0) dropOld(backupsKept());
  console.log(`Saved to ${file}: ${entries} entries, last hash ${lastHash}`);
}

function fail(words: string): void {
  console.error(words);
  process.exitCode = 1;
}

/** `./kettle restore file`: puts a backup in the place of what is there; the application must be stopped. */
export async function restoreFrom(file: string | undefined): Promise<void> {
  if (!file || !fs.existsSync(file))
    return fail('Give the file of a backup: ./kettle restore FILE');
  const lock = new OneAtATime('restore');
  try {
    lock.take();
  } catch (error) {
    if (error instanceof AlreadyRunning) return fail(error.message);
    throw error;
  }
  try {
    const { manifest, secrets, anchor } = await withServer((url) => restore(url, file));
    keepSecrets(secrets);
    noteRestored(anchorsOf('site'), anchor);
    console.log(`Restored and verified: ${manifest.entries} entries of ${manifest.madeAt}.`);
  } catch (error) {
    fail(`Not restored: ${(error as Error).message}`);
  } finally {
    lock.release();
  }
}
