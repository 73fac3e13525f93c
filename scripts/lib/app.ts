import path from 'node:path';
import { bin, ROOT } from './paths';

/**
 * Room for what a request makes and drops, MB. With the 16 of Node's default, what a long page makes is moved among what
 * stays, and collecting all of that holds up every request for a tenth of a second.
 */
const YOUNG_MB = 64;

/** What the build makes of scripts/app.ts: it starts without a compiler in every one of its threads. */
export const APP_PROGRAM = path.join(ROOT, '.next/jolly/app.mjs');

/**
 * How the application is started, in the project's folder: what the supervisor, the benchmark and the tests launch.
 * @param dev from its sources, each change at once, instead of the build
 */
export const appCommand = (port: number, host = '127.0.0.1', dev = false) => ({
  command: dev ? bin('tsx') : process.execPath,
  args: [
    `--max-semi-space-size=${YOUNG_MB}`,
    ...[dev ? 'scripts/app.ts' : APP_PROGRAM, String(port), host, ...(dev ? ['dev'] : [])],
  ],
});
