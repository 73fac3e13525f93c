import fs from 'node:fs';
import path from 'node:path';
import type { Tinypool } from 'tinypool';
import { answerForecast } from './answer';
import type { ForecastAnswer, ForecastJob } from './protocol';

/** Where the build puts the thread's program; see scripts/lib/build. */
const PROGRAM = path.join(process.cwd(), '.next/jolly/forecast.worker.mjs');

/** Who asks: people who wait for a page, and the watch, which must not stand in their way. */
export type Asker = 'page' | 'watch';

const shared = globalThis as { jollyPools?: Partial<Record<Asker, Promise<Tinypool>>> };

async function makePool(): Promise<Tinypool> {
  const { Tinypool: Pool } = await import('tinypool');
  return new Pool({
    filename: PROGRAM,
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 60_000,
    runtime: 'worker_threads',
  });
}

function poolOf(asker: Asker): Promise<Tinypool> | null {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !fs.existsSync(PROGRAM)) return null;
  const pools = (shared.jollyPools ??= {});
  return (pools[asker] ??= makePool());
}

/** Works out a forecast in a thread; in scripts and tests, which serve nobody meanwhile, here. */
export async function askForecast(job: ForecastJob, asker: Asker): Promise<ForecastAnswer> {
  const pool = await poolOf(asker);
  return pool ? ((await pool.run(job)) as ForecastAnswer) : answerForecast(job);
}
