import net from 'node:net';

const isFree = (port: number, host: string) =>
  new Promise<boolean>((resolve) => {
    const server = net.createServer();
    server.once('error', () => resolve(false));
    server.listen(port, host, () => server.close(() => resolve(true)));
  });

/** The first free port from `from` on. */
export async function freePort(from: number, host = '127.0.0.1'): Promise<number> {
  for (let port = from; port < from + 200; port += 1) if (await isFree(port, host)) return port;
  throw new Error(`No free port between ${from} and ${from + 200}`);
}
