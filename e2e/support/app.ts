import { spawn, type ChildProcess } from 'node:child_process';
import path from 'node:path';
import { appCommand } from '../../scripts/lib/app';

export const SECRET = 'only-for-tests-only-for-tests-only-for-tests';
export const SETUP_CODE = 'KETTLE-22';
const ROOT = path.resolve(import.meta.dirname, '../..');

/** The built application as a process of its own. */
export class App {
  private child: ChildProcess | null = null;
  readonly base: string;

  constructor(
    private readonly databaseUrl: string,
    private readonly port: number,
    private readonly extra: Record<string, string> = {},
  ) {
    this.base = `http://127.0.0.1:${port}`;
  }

  /** @param more environment of this start alone */
  async start(more: Record<string, string> = {}): Promise<void> {
    const env: NodeJS.ProcessEnv = {
      ...process.env,
      DATABASE_URL: this.databaseUrl,
      BETTER_AUTH_SECRET: SECRET,
      JOLLY_WATCH_MS: '3000',
      JOLLY_SETUP_CODE: SETUP_CODE,
      NODE_ENV: 'production',
      ...this.extra,
      ...more,
    };
    const { command, args } = appCommand(this.port);
    this.child = spawn(command, args, { cwd: ROOT, env, stdio: 'ignore', detached: true });
    await this.waitUntilWell();
  }

  async waitUntilWell(): Promise<void> {
    for (let i = 0; i < 240; i += 1) {
      const answer = await fetch(`${this.base}/api/health`).catch(() => null);
      if (answer?.ok) return;
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
    throw new Error('the application did not come up');
  }

  async kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const child = this.child;
    if (!child?.pid) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    process.kill(-child.pid, signal);
    await gone;
    this.child = null;
  }
}
