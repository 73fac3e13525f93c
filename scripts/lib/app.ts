import { bin } from './paths';

/**
 * Room for what a request makes and drops, MB. With the 16 of Node's default, what a long page makes is moved among what
 * stays, and collecting all of that holds up every request for a tenth of a second.
 */
const YOUNG_MB = 64;

/**
 * How the application is started: what the supervisor, the benchmark and the tests launch.
 * @param dev from its sources, each change at once, instead of the build
 */
export const appCommand = (port: number, host = '127.0.0.1', dev = false) => ({
  command: bin('tsx'),
  args: [
    `--max-semi-space-size=${YOUNG_MB}`,
    ...['scripts/app.ts', String(port), host, ...(dev ? ['dev'] : [])],
  ],
});
