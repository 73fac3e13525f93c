import http from 'node:http';
import type { AddressInfo } from 'node:net';

/** A slow network in front of the application: every script of the build comes late, all else at once. */
export class SlowProxy {
  private readonly server: http.Server;

  constructor(
    to: string,
    private readonly lateMs: number,
  ) {
    const { hostname, port } = new URL(to);
    this.server = http.createServer((request, response) => {
      const isScript = /^\/_next\/static\/.*\.js/.test(request.url ?? '');
      const pass = () => {
        const { method, url: path, headers } = request;
        const onward = http.request({ hostname, port, method, path, headers }, (answer) => {
          response.writeHead(answer.statusCode ?? 502, answer.headers);
          answer.pipe(response);
        });
        onward.on('error', () => response.destroy());
        request.pipe(onward);
      };
      if (isScript) setTimeout(pass, this.lateMs);
      else pass();
    });
  }

  /** @returns the address under which the slow network is reached */
  async start(port: number): Promise<string> {
    await new Promise<void>((up) => this.server.listen(port, '127.0.0.1', up));
    return `http://127.0.0.1:${(this.server.address() as AddressInfo).port}`;
  }

  async stop(): Promise<void> {
    this.server.closeAllConnections();
    await new Promise((down) => this.server.close(down));
  }
}
