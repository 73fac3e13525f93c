import fs from 'node:fs';
import path from 'node:path';
import { DATA, ROOT } from './paths';

type Running = { pid: number; what: string; url: string | null };

/** Does this process live, and is it one of ours? A number is given to another process sooner or later. */
function lives(pid: number): boolean {
  try {
    const line = fs.readFileSync(`/proc/${pid}/cmdline`, 'utf8');
    return fs.readlinkSync(`/proc/${pid}/cwd`) === ROOT && line.includes('scripts/main.ts');
  } catch {
    return false;
  }
}

/** Thrown where the application runs in this folder already; the message says which and where. */
export class AlreadyRunning extends Error {}

/**
 * Holds the folder for one start of the application: a second one is refused before it touches anything of the
 * first, and what a killed one left behind is taken over.
 * @param file for tests; else in the data folder
 */
export class OneAtATime {
  constructor(
    private readonly what: string,
    private readonly file = path.join(DATA, 'run/kettle.lock'),
    private readonly isAlive: (pid: number) => boolean = lives,
  ) {}

  /** @throws AlreadyRunning */
  take(): void {
    fs.mkdirSync(path.dirname(this.file), { recursive: true });
    const mine: Running = { pid: process.pid, what: this.what, url: null };
    for (let tries = 0; tries < 5; tries += 1)
      try {
        fs.writeFileSync(this.file, JSON.stringify(mine), { flag: 'wx' });
        return;
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
        const other = this.read();
        if (other && this.isAlive(other.pid)) throw new AlreadyRunning(this.words(other));
        fs.rmSync(this.file, { force: true });
      }
    throw new AlreadyRunning('Another start of Jolly Kettle is just under way in this folder.');
  }

  /** Says where the application is, for who starts a second one. */
  tell(url: string): void {
    fs.writeFileSync(this.file, JSON.stringify({ pid: process.pid, what: this.what, url }));
  }

  release(): void {
    if (this.read()?.pid === process.pid) fs.rmSync(this.file, { force: true });
  }

  private words({ pid, what, url }: Running): string {
    const where = url ? ` at ${url}` : ', still starting';
    return `Jolly Kettle (${what}) already runs in this folder${where}: process ${pid}. Stop it there with Ctrl-C, or start this one in a folder of its own.`;
  }

  private read(): Running | null {
    try {
      return JSON.parse(fs.readFileSync(this.file, 'utf8')) as Running;
    } catch {
      return null;
    }
  }
}
