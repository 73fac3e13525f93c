import type { ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { CrashLoop } from './crash-loop';
import { DATA, ROOT } from './paths';
import { start } from './shell';

type Part = { name: string; command: string; args: string[]; env: NodeJS.ProcessEnv };

const RUN = path.join(DATA, 'run');
const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const pidFile = (name: string) => path.join(RUN, `${name}.pid`);

function alive(pid: number): boolean {
  try {
    return fs.readlinkSync(`/proc/${pid}/cwd`) === ROOT;
  } catch {
    return false;
  }
}

/** Ends what an earlier run left behind when it was killed. */
function endLeftover(name: string): void {
  if (!fs.existsSync(pidFile(name))) return;
  const pid = Number(fs.readFileSync(pidFile(name), 'utf8'));
  if (alive(pid)) process.kill(-pid, 'SIGKILL');
  fs.rmSync(pidFile(name));
}

/** Keeps the parts running: one that dies is started again, until `stop`, or until it dies again and again. */
export class Supervisor {
  private readonly children = new Map<string, ChildProcess>();
  private readonly loops = new Map<string, CrashLoop>();
  private stopping = false;

  /** @param giveUp called with words when a part ends again and again */
  constructor(private readonly giveUp: (words: string) => void = console.error) {}

  launch(part: Part): void {
    fs.mkdirSync(RUN, { recursive: true });
    endLeftover(part.name);
    this.spawn(part);
  }

  private spawn(part: Part): void {
    const child = start(part.command, part.args, part.env);
    fs.writeFileSync(pidFile(part.name), String(child.pid));
    this.children.set(part.name, child);
    child.on('exit', (code, signal) => {
      if (this.stopping) return;
      if (this.loopOf(part.name).ended(Date.now()))
        return this.giveUp(
          `${part.name} ends again and again (${signal ?? code}): what it wrote last stands above.`,
        );
      console.error(`${part.name} ended (${signal ?? code}); starting it again`);
      setTimeout(() => !this.stopping && this.spawn(part), 1000);
    });
  }

  private loopOf(name: string): CrashLoop {
    const loop = this.loops.get(name) ?? new CrashLoop();
    this.loops.set(name, loop);
    return loop;
  }

  async stop(): Promise<void> {
    this.stopping = true;
    const waits = [...this.children].map(async ([name, child]) => {
      if (child.exitCode === null && child.signalCode === null) {
        const gone = new Promise((resolve) => child.once('exit', resolve));
        process.kill(-child.pid!, 'SIGTERM');
        await Promise.race([gone, sleep(5000)]);
        if (child.exitCode === null && child.signalCode === null)
          process.kill(-child.pid!, 'SIGKILL');
      }
      fs.rmSync(pidFile(name), { force: true });
    });
    await Promise.all(waits);
  }
}

/** Waits until an address answers; throws when it has not after two minutes. */
export async function waitFor(url: string): Promise<void> {
  for (let i = 0; i < 240; i += 1) {
    const answer = await fetch(url).catch(() => null);
    if (answer?.ok) return;
    await sleep(500);
  }
  throw new Error(`${url} does not answer`);
}
