import fs from 'node:fs';
import path from 'node:path';
import type { Tinypool } from 'tinypool';

/** Programs that the build makes for the server's threads; see scripts/lib/build. */
export type ThreadProgram = 'forecast' | 'judge' | 'files' | 'ripening';

/** Who asks: people who wait for a page, and the watch, which must not stand in their way. */
export type Asker = 'page' | 'watch';

const shared = globalThis as { jollyPools?: Partial<Record<string, Promise<Tinypool>>> };

const fileOf = (program: ThreadProgram) =>
  path.join(process.cwd(), `.next/jolly/${program}.worker.mjs`);

/** Room for what a job makes and forgets, MB: with the usual 16 half of a long job goes into sweeping up. */
const YOUNG_MB = 192;

/** The threads of a program that the build has made. */
export async function makePool(program: ThreadProgram): Promise<Tinypool> {
  const { Tinypool: Pool } = await import('tinypool');
  return new Pool({
    filename: fileOf(program),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 60_000,
    runtime: 'worker_threads',
    resourceLimits: { maxYoungGenerationSizeMb: YOUNG_MB },
  });
}

/** The threads of a program for those who ask, or null in scripts and tests, which serve nobody meanwhile. */
export function poolOf(program: ThreadProgram, asker: Asker): Promise<Tinypool> | null {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !fs.existsSync(fileOf(program))) return null;
  const pools = (shared.jollyPools ??= {});
  return (pools[`${program} ${asker}`] ??= makePool(program));
}
