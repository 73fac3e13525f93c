import { createServer } from 'node:http';
import { houseProgramSchema, type HouseProgram } from '@/features/readings/contract';
import { SimulatedHouse, type DeviceReading, type Faults } from './simulated-house';

/** The stand-in for a house's logger: its own process, speaking the same HTTP as a real one. */
const BASE = process.env.JOLLY_URL ?? 'http://127.0.0.1:3000';
const TOKENS = (process.env.JOLLY_DEVICE_TOKENS ?? '').split(',').filter(Boolean);
const EVERY_MS = Number(process.env.JOLLY_EVERY_MS ?? 5000);
const PANEL_PORT = Number(process.env.JOLLY_PANEL_PORT ?? 0);
const KEPT = 10_000;

class Link {
  private readonly house = new SimulatedHouse(Math.random);
  private queue: DeviceReading[] = [];
  private lastMs = Date.now();
  name = '…';

  constructor(private readonly token: string) {}

  get faults(): Faults {
    return this.house.faults;
  }

  private async call(path: string, body?: unknown): Promise<unknown> {
    const response = await fetch(`${BASE}${path}`, {
      method: body ? 'POST' : 'GET',
      headers: { authorization: `Bearer ${this.token}`, 'content-type': 'application/json' },
      body: body ? JSON.stringify(body) : undefined,
      signal: AbortSignal.timeout(10_000),
    });
    if (!response.ok) throw new Error(`${path}: ${response.status}`);
    return response.json();
  }

  /** One beat: look at the program, measure, send all that is kept; what can't be sent is kept. */
  async beat(): Promise<void> {
    const program: HouseProgram = houseProgramSchema.parse(await this.call('/api/v1/house'));
    this.name = program.house;
    const now = Date.now();
    this.queue.push(...this.house.step(program, (now - this.lastMs) / 1000, now));
    this.lastMs = now;
    this.queue = this.queue.slice(-KEPT);
    const sending = this.queue;
    if (sending.length === 0) return;
    await this.call('/api/v1/readings', { readings: sending });
    this.queue = this.queue.slice(sending.length);
  }
}

const links = TOKENS.map((t) => new Link(t));
const FAULTS: [keyof Faults, string][] = [
  ['fireOut', 'Fire out'],
  ['probeUnplugged', 'Probe core-1 unplugged'],
];

function panel(): string {
  const forms = links.map((l, i) =>
    FAULTS.map(
      ([key, label]) =>
        `<form method="post" action="/${i}/${key}"><button>${l.name}: ${label} is ${l.faults[key] ? 'ON, switch off' : 'off, switch on'}</button></form>`,
    ).join(''),
  );
  return `<!doctype html><html lang="en"><title>Simulated house</title><h1>Simulated house: faults</h1>${forms.join('')}</html>`;
}

if (PANEL_PORT) {
  createServer((request, response) => {
    const [, index, key] = (request.url ?? '').split('/');
    const link = links[Number(index)];
    const fault = FAULTS.find(([k]) => k === key)?.[0];
    if (request.method === 'POST' && link && fault) {
      link.faults[fault] = !link.faults[fault];
      response.writeHead(303, { location: '/' }).end();
    } else response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(panel());
  }).listen(PANEL_PORT, '127.0.0.1');
}

let troubled = false;
async function tick(): Promise<void> {
  const results = await Promise.allSettled(links.map((l) => l.beat()));
  const failed = results.find((r) => r.status === 'rejected');
  if (failed && !troubled)
    console.warn(`simulated house: ${String(failed.reason)}; readings are kept and sent later`);
  troubled = failed !== undefined;
  setTimeout(() => void tick(), EVERY_MS);
}
void tick();
