import fs from 'node:fs';
import path from 'node:path';
import { start } from './shell';
import { bin, DATA } from './paths';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** Where the application's own backups lie. */
export const BACKUPS = path.join(DATA, 'backups');
const MINE = /^kettle-.*\.tar$/;

/** How many of its own backups are kept; 0: none are made by the clock. */
export const backupsKept = (): number => Number(process.env.JOLLY_BACKUPS_KEEP ?? 30);

/** The application's own backups, oldest first. */
export const ownBackups = (folder = BACKUPS): string[] =>
  fs.existsSync(folder)
    ? fs
        .readdirSync(folder)
        .filter((f) => MINE.test(f))
        .sort()
        .map((f) => path.join(folder, f))
    : [];

/** Removes the oldest of them beyond as many as are kept. */
export function dropOld(keep: number, folder = BACKUPS): void {
  const mine = ownBackups(folder);
  for (const f of mine.slice(0, Math.max(0, mine.length - keep))) fs.rmSync(f);
}

/** Whether a day has gone by since the last backup. */
export function isDue(nowMs: number, folder = BACKUPS): boolean {
  const last = ownBackups(folder).at(-1);
  return !last || nowMs - fs.statSync(last).mtimeMs >= DAY_MS;
}

/**
 * Makes a backup a day while the application runs, each in a process of its own.
 * @returns ends it
 */
export function backUpDaily(env: NodeJS.ProcessEnv): () => void {
  if (backupsKept() === 0) return () => undefined;
  const look = () => {
    if (isDue(Date.now())) start(bin('tsx'), ['scripts/main.ts', 'backup'], env);
  };
  const timer = setInterval(look, HOUR_MS);
  const first = setTimeout(look, HOUR_MS / 60);
  return () => {
    clearInterval(timer);
    clearTimeout(first);
  };
}
