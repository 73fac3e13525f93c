import { once } from 'node:events';
import { Worker } from 'node:worker_threads';
import { buildSync } from 'esbuild';
import { bestPlan, type BatchPlan, type PlanInput } from '../../src/core';
import { ROOT } from './paths';

/** A thread that plans what it is sent, built as the application's are. */
const PLANNER = `
  import { parentPort } from 'node:worker_threads';
  import { planBatches } from './src/core';
  parentPort!.on('message', (input) => parentPort!.postMessage(planBatches(input)));
`;

function build(): string {
  const { outputFiles } = buildSync({
    stdin: { contents: PLANNER, resolveDir: ROOT, loader: 'ts' },
    bundle: true,
    write: false,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
  });
  return outputFiles[0]!.text;
}

/** Threads that look for a plan side by side, each in its own way. */
export class Planners {
  private readonly threads: Worker[];

  constructor(readonly count: number) {
    const program = build();
    this.threads = Array.from({ length: count }, () => new Worker(program, { eval: true }));
  }

  /** The best that any of them finds. */
  async plan(input: PlanInput): Promise<BatchPlan> {
    const plans = this.threads.map((thread, i) => ask(thread, input, i + 1));
    return bestPlan(await Promise.all(plans), input.limits.moveCostS);
  }

  async close(): Promise<void> {
    await Promise.all(this.threads.map((thread) => thread.terminate()));
  }
}

async function ask(thread: Worker, input: PlanInput, seed: number): Promise<BatchPlan> {
  const answer = once(thread, 'message');
  thread.postMessage({ ...input, limits: { ...input.limits, seed } });
  const [plan] = (await answer) as [BatchPlan];
  return plan;
}
