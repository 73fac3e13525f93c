import { bin } from './paths';

/** How the built application is started: what the supervisor, the benchmark and the tests launch. */
export const appCommand = (port: number, host = '127.0.0.1') => ({
  command: bin('tsx'),
  args: ['scripts/app.ts', String(port), host],
});
