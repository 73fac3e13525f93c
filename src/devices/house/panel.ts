import { createServer, type IncomingHttpHeaders } from 'node:http';
import { FAULTS, INSTRUMENT_FAULTS, type Fault, type InstrumentFault } from '@/core';
import { thingsFor } from '../instrument/goods-there';
import type { InstrumentLink } from '../instrument/instrument-link';
import type { Link } from './link';

/** All that the panel switches. */
export type Floor = { links: readonly Link[]; instruments: readonly InstrumentLink[] };

const STYLE = `body{font:18px/1.5 system-ui,sans-serif;max-width:44rem;margin:2rem auto;padding:0 1rem;background:#f7f2e8;color:#26211a}
section{background:#fffdf8;border:1px solid #d9cfbd;border-radius:10px;padding:1rem;margin:1rem 0}
form{display:inline-block;margin:.3rem .3rem 0 0}button{font:inherit;min-height:48px;padding:0 1rem;border-radius:8px;border:1px solid #62594b;background:#fffdf8;color:inherit}
button[aria-pressed=true]{background:#a3241b;color:#fff;border-color:#a3241b}`;

const escape = (text: string) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

const button = (action: string, on: boolean, text: string) =>
  `<form method="post" action="${action}"><button aria-pressed="${on}">${escape(text)}</button></form>`;

function instrumentSection(floor: Floor, k: number): string {
  const { setup, holds, instrument } = floor.instruments[k]!;
  const things = thingsFor(setup.what, floor.links).map((t, j) =>
    button(`/instrument/${k}/put/${j}`, holds === t.label, t.label),
  );
  const faults = (Object.keys(INSTRUMENT_FAULTS) as InstrumentFault[]).map((f) =>
    button(
      `/instrument/${k}/fault/${f}`,
      instrument.faults[f],
      `${INSTRUMENT_FAULTS[f]}: ${instrument.faults[f] ? 'ON' : 'off'}`,
    ),
  );
  return `<section><h2>${escape(setup.name)}</h2><p>${setup.what === 'scale' ? 'On' : 'In'} it: ${escape(holds ?? 'nothing')}.</p>${things.join('')}${button(`/instrument/${k}/put/none`, holds === null, 'Nothing')}<p>Faults</p>${faults.join('')}</section>`;
}

function page(floor: Floor): string {
  const { links, instruments } = floor;
  const sections = links.map((l, i) => {
    const buttons = (Object.keys(FAULTS) as Fault[]).map((f) => {
      const on = l.house.faults[f];
      return button(`/house/${i}/fault/${f}`, on, `${FAULTS[f]}: ${on ? 'ON' : 'off'}`);
    });
    return `<section><h2>${escape(l.name)}</h2><p>Speaks over ${l.setup.via.toUpperCase()}; ${l.waiting} readings wait to be sent.</p>${buttons.join('')}</section>`;
  });
  return `<!doctype html><html lang="en"><meta name="viewport" content="width=device-width"><title>Simulated floor</title><style>${STYLE}</style><h1>Simulated floor</h1><p>Switch a fault on or off, put a piece on the scale or the meter into a sample, and watch what the application says of it.</p>${sections.join('')}${instruments.map((_, k) => instrumentSection(floor, k)).join('')}</html>`;
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

/** Does what a button of the page says. @returns whether there is such a button */
export function pressed(floor: Floor, path: string): boolean {
  const [, kind, index, what, key = ''] = path.split('/');
  const link = kind === 'house' ? floor.links[Number(index)] : undefined;
  if (link && what === 'fault' && key in FAULTS) {
    link.house.faults[key as Fault] = !link.house.faults[key as Fault];
    return true;
  }
  const i = kind === 'instrument' ? floor.instruments[Number(index)] : undefined;
  if (i && what === 'fault' && key in INSTRUMENT_FAULTS) {
    i.instrument.faults[key as InstrumentFault] = !i.instrument.faults[key as InstrumentFault];
    return true;
  }
  if (!i || what !== 'put') return false;
  const thing = key === 'none' ? null : thingsFor(i.setup.what, floor.links)[Number(key)];
  if (thing === undefined) return false;
  i.place(thing);
  return true;
}

/** The small page on which the simulated floor is worked; this machine only. */
export function servePanel(floor: Floor, port: number): void {
  createServer((request, response) => {
    if (!panelAllows(request.method ?? 'GET', request.headers, port))
      return void response.writeHead(403, { 'content-type': 'text/plain' }).end('Not from there.');
    if (request.method === 'POST' && pressed(floor, request.url ?? '')) {
      response.writeHead(303, { location: '/' }).end();
      return;
    }
    response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(page(floor));
  }).listen(port, '127.0.0.1');
}
