import next from 'next';
import { makeServer } from '../src/platform/http-server';
import { trustedProxies } from '../src/platform/address';
import { ROOT } from './lib/paths';

/** The built application behind its front door: `tsx scripts/app.ts <port> <host>`. */
const [port, host] = [Number(process.argv[2] ?? 3000), process.argv[3] ?? '127.0.0.1'];
const trusted = trustedProxies(process.env.JOLLY_TRUSTED_PROXIES ?? '');
const app = next({ dev: false, dir: ROOT, hostname: host, port });
await app.prepare();
const handle = app.getRequestHandler();
const server = makeServer((request, response) => handle(request, response), trusted);
server.on('error', (error) => {
  console.error(`The application cannot listen on ${host}:${port}: ${error.message}`);
  process.exit(1);
});
server.listen(port, host);

for (const signal of ['SIGTERM', 'SIGINT'] as const)
  process.once(signal, () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });
