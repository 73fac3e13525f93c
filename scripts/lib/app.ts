import { bin } from './paths';

/**
 * How the application is started: what the supervisor, the benchmark and the tests launch.
 * @param dev from its sources, each change at once, instead of the build
 */
export const appCommand = (port: number, host = '127.0.0.1', dev = false) => ({
  command: bin('tsx'),
  args: ['scripts/app.ts', String(port), host, ...(dev ? ['dev'] : [])],
});
