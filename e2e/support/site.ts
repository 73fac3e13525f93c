import { execFileSync } from 'node:child_process';
import path from 'node:path';
import { copyOf, templates, type Copy } from '../../tests/support/templates';
import { App } from './app';

/** What the database of a test file holds at its beginning; `none`: the file starts an application itself. */
export type Fill = 'demo' | 'empty' | 'hostile' | 'none';

/** The built application on a database of its own. */
export type Site = { base: string; databaseUrl: string; app: App };

/** Tokens of the demo's simulated houses, in the order of the houses' names: the big one first. */
export const deviceTokens = (): string[] => templates().devices.map((d) => d.token);

const ROOT = path.resolve(import.meta.dirname, '../..');
const FIRST_PORT = 3210;

function fillWithHostileNames(copy: Copy): void {
  execFileSync('node_modules/.bin/tsx', ['e2e/support/fill-hostile.ts', copy.ownerUrl], {
    cwd: ROOT,
  });
}

/** The site of the test file that a worker is at: each file has a fresh copy of the demo, and no leavings of another. */
export class Sites {
  private now: { key: string; site: Site; copy: Copy } | null = null;

  constructor(private readonly worker: number) {}

  private get base(): string {
    return `http://127.0.0.1:${FIRST_PORT + this.worker}`;
  }

  /** Where a window of the present file looks; nothing where the file has an application of its own. */
  get address(): { baseURL?: string } {
    return this.now ? { baseURL: this.base } : {};
  }

  /** The site of a test file, started where it is the first of its file that asks. */
  async of(file: string, fill: Fill, appEnv: Record<string, string>): Promise<Site | null> {
    const key = JSON.stringify([file, fill, appEnv]);
    if (this.now?.key === key) return this.now.site;
    await this.end();
    if (fill === 'none') return null;
    const copy = await copyOf(fill === 'empty' ? 'empty' : 'demo', `jolly_e2e_${this.worker}`);
    if (fill === 'hostile') fillWithHostileNames(copy);
    const app = new App(copy.url, FIRST_PORT + this.worker, appEnv);
    await app.start();
    this.now = { key, copy, site: { base: this.base, databaseUrl: copy.url, app } };
    return this.now.site;
  }

  async end(): Promise<void> {
    const was = this.now;
    this.now = null;
    if (!was) return;
    await was.site.app.kill('SIGTERM');
    await was.copy.drop();
  }
}
