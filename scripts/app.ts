import cluster from 'node:cluster';
import os from 'node:os';
import next from 'next';
import { makeServer } from '../src/platform/http-server';
import { trustedProxies } from '../src/platform/address';

/** The application behind its front door, started in the project's folder: `<port> <host> [dev]`; with `dev` from its sources, not the build. */
const [port, host] = [Number(process.argv[2] ?? 3000), process.argv[3] ?? '127.0.0.1'];
const dev = process.argv[4] === 'dev';
const MOST = 2;
/** A process that is told to end has so long to do it, ms. */
const LONGEST_END_MS = 3000;
const usual = dev ? 1 : Math.min(MOST, os.availableParallelism());
const processes = Number(process.env.JOLLY_PROCESSES ?? usual);

const onStop = (stop: () => void) => {
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, stop);
};

/**
 * Several processes share the port: who comes anew is let in by one that has nothing to do, so that a page that takes
 * long holds up nobody else. The first also watches. One that ends is started again, unless it never came up.
 */
function lead(): void {
  cluster.schedulingPolicy = cluster.SCHED_NONE;
  let stopping = false;
  const endWhenAlone = () => {
    if (Object.keys(cluster.workers ?? {}).length === 0) process.exit(0);
  };
  const begin = (number: number) => {
    const worker = cluster.fork({ JOLLY_PROCESS: String(number) });
    let up = false;
    worker.once('listening', () => (up = true));
    worker.once('exit', (code, signal) => {
      if (stopping) return endWhenAlone();
      if (!up) process.exit(code || 1);
      console.error(
        `process ${number} of the application ended (${signal ?? code}); starting it again`,
      );
      begin(number);
    });
  };
  for (let i = 1; i <= processes; i += 1) begin(i);
  onStop(() => {
    stopping = true;
    for (const w of Object.values(cluster.workers ?? {})) w?.process.kill('SIGTERM');
    endWhenAlone();
  });
}

async function serve(): Promise<void> {
  const trusted = trustedProxies(process.env.JOLLY_TRUSTED_PROXIES ?? '');
  const app = next({ dev, dir: process.cwd(), hostname: host, port });
  await app.prepare();
  const handle = app.getRequestHandler();
  const server = makeServer((request, response) => handle(request, response), trusted);
  /* By this way the framework tells open pages what changed. */
  if (dev) server.on('upgrade', app.getUpgradeHandler());
  server.on('error', (error) => {
    console.error(`The application cannot listen on ${host}:${port}: ${error.message}`);
    process.exit(1);
  });
  server.listen(port, host);
  onStop(() => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
    /* Whatever still holds on, nobody waits for it longer. */
    setTimeout(() => process.exit(0), LONGEST_END_MS).unref();
  });
}

/* A process whose lead is gone has nobody to start it again or to end it. */
process.on('disconnect', () => process.exit(0));
if (cluster.isPrimary && processes > 1) lead();
else await serve();
