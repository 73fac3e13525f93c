import { createServer, type IncomingHttpHeaders } from 'node:http';
import { FAULTS, type Fault } from '@/core';
import type { Link } from './link';

const STYLE = `body{font:18px/1.5 system-ui,sans-serif;max-width:44rem;margin:2rem auto;padding:0 1rem;background:#f7f2e8;color:#26211a}
section{background:#fffdf8;border:1px solid #d9cfbd;border-radius:10px;padding:1rem;margin:1rem 0}
form{display:inline-block;margin:.3rem .3rem 0 0}button{font:inherit;min-height:48px;padding:0 1rem;border-radius:8px;border:1px solid #62594b;background:#fffdf8;color:inherit}
button[aria-pressed=true]{background:#a3241b;color:#fff;border-color:#a3241b}`;

const escape = (text: string) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

function page(links: readonly Link[]): string {
  const sections = links.map((l, i) => {
    const buttons = (Object.keys(FAULTS) as Fault[]).map((f) => {
      const on = l.house.faults[f];
      return `<form method="post" action="/${i}/${f}"><button aria-pressed="${on}">${FAULTS[f]}: ${on ? 'ON' : 'off'}</button></form>`;
    });
    return `<section><h2>${escape(l.name)}</h2><p>Speaks over ${l.setup.via.toUpperCase()}; ${l.waiting} readings wait to be sent.</p>${buttons.join('')}</section>`;
  });
  return `<!doctype html><html lang="en"><meta name="viewport" content="width=device-width"><title>Simulated house: faults</title><style>${STYLE}</style><h1>Simulated house: faults</h1><p>Switch a fault on or off and watch what the application says of it.</p>${sections.join('')}</html>`;
}

/**
 * May this request be answered? Asked for by this machine's own name, so that no other site's name leads here, and
 * changed from this page alone.
 */
export function panelAllows(method: string, headers: IncomingHttpHeaders, port: number): boolean {
  const own = [`127.0.0.1:${port}`, `localhost:${port}`];
  if (!own.includes(headers.host ?? '')) return false;
  return method === 'GET' || own.some((host) => headers.origin === `http://${host}`);
}

/** The small page on which faults of the simulated houses are switched; this machine only. */
export function servePanel(links: readonly Link[], port: number): void {
  createServer((request, response) => {
    if (!panelAllows(request.method ?? 'GET', request.headers, port))
      return void response.writeHead(403, { 'content-type': 'text/plain' }).end('Not from there.');
    const [, index, key] = (request.url ?? '').split('/');
    const link = links[Number(index)];
    if (request.method === 'POST' && link && key && key in FAULTS) {
      const fault = key as Fault;
      link.house.faults[fault] = !link.house.faults[fault];
      response.writeHead(303, { location: '/' }).end();
      return;
    }
    response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(page(links));
  }).listen(port, '127.0.0.1');
}
