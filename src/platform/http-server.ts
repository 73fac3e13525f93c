import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { ADDRESS_HEADER, PROXY_HEADERS, addressOf } from './address';
import { refuseRequest } from './http-limits';

type Handler = (request: IncomingMessage, response: ServerResponse) => Promise<void>;

/** Headers must be there by this, a whole request by that: who sends slower is let go, ms. */
const HEADERS_MS = 15_000;
const REQUEST_MS = 120_000;
/** An idle connection stays open longer than a proxy or a device keeps it, so that nothing is sent into one that is just closing, ms. */
const KEEP_ALIVE_MS = 75_000;
const HEADER_BYTES = 16 * 1024;
/** Headers by which the framework talks to itself; from outside they are nothing. */
const INTERNAL = [
  'x-middleware-subrequest',
  'x-middleware-prefetch',
  'x-invoke-path',
  ADDRESS_HEADER,
];

function answer(response: ServerResponse, status: number, code: string, words: string): void {
  response.writeHead(status, {
    'content-type': 'application/json; charset=utf-8',
    'cache-control': 'no-store',
    connection: 'close',
  });
  response.end(JSON.stringify({ ok: false, code, message: words }));
}

/** A path that can be decoded, or null. */
function pathOf(url: string | undefined): string | null {
  try {
    const { pathname } = new URL(url ?? '/', 'http://here');
    return decodeURIComponent(pathname);
  } catch {
    return null;
  }
}

/**
 * The application's front door: sizes are checked before anything is read, slow senders are let go, what proxies
 * say is believed of trusted ones only, and the application is told who asks.
 */
export function makeServer(handle: Handler, trusted: (address: string) => boolean): Server {
  const server = createServer({ maxHeaderSize: HEADER_BYTES }, (request, response) => {
    const path = pathOf(request.url);
    if (path === null || /%00|\0/.test(request.url ?? ''))
      return answer(response, 400, 'bad_address', 'This address cannot be read.');
    const refused = refuseRequest(request.method ?? 'GET', path, request.headers);
    if (refused) return answer(response, refused.status, refused.code, refused.words);
    const peer = request.socket.remoteAddress;
    const forwarded = [request.headers['x-forwarded-for'] ?? []].flat().join(',');
    const address = addressOf(peer, forwarded, trusted);
    const drop = peer !== undefined && trusted(peer) ? INTERNAL : [...INTERNAL, ...PROXY_HEADERS];
    for (const name of drop) delete request.headers[name];
    request.headers[ADDRESS_HEADER] = address;
    handle(request, response).catch((error: Error) => {
      console.warn(`${request.method} ${path}: ${error.message}`);
      if (!response.headersSent)
        answer(response, 500, 'failed', 'Something failed here. Try again.');
      else response.destroy();
    });
  });
  server.headersTimeout = HEADERS_MS;
  server.requestTimeout = REQUEST_MS;
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  return server;
}
