import { createServer, type Server } from 'node:http';
import { INSTRUMENT_FAULTS } from '@/core';
import { pressed, type Floor } from '../house/panel';
import { InstrumentLink } from './instrument-link';

type Told = { value: number; unit: string; steady: boolean; sampleC?: number };

let server: Server;
let base: string;
let told: Told[] = [];
let status = 200;
beforeAll(async () => {
  server = createServer((request, response) => {
    let body = '';
    request.on('data', (part: Buffer) => (body += part.toString()));
    request.on('end', () => {
      told.push(JSON.parse(body) as Told);
      response.writeHead(status).end('{"ok":true}');
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const address = server.address();
  base = `http://127.0.0.1:${typeof address === 'object' ? address!.port : 0}`;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));
beforeEach(() => {
  told = [];
  status = 200;
});

const floor = (): Floor => ({
  links: [],
  instruments: [
    new InstrumentLink({ token: 't', name: 'Scale', what: 'scale' }, base, () => 0.5),
    new InstrumentLink({ token: 'u', name: 'Meter', what: 'ph_meter' }, base, () => 0.5),
  ],
});

test('nothing is told while nothing is on it; a buffer is told with its temperature', async () => {
  const f = floor();
  for (const i of f.instruments) await i.beat();
  expect(told).toEqual([]);
  expect(pressed(f, '/instrument/1/put/1')).toBe(true);
  expect(f.instruments[1]!.holds).toBe('Buffer 4.01');
  await f.instruments[1]!.beat();
  expect(told).toEqual([
    expect.objectContaining({ unit: 'pH', steady: false, sampleC: 20 }) as Told,
  ]);
  expect(pressed(f, '/instrument/1/put/none')).toBe(true);
  await f.instruments[1]!.beat();
  expect(told).toHaveLength(1);
});

test('what the application refuses is said', async () => {
  const f = floor();
  pressed(f, '/instrument/0/put/0');
  status = 401;
  await expect(f.instruments[0]!.beat()).rejects.toThrow(/401/);
});

test('the panel switches faults and knows no others', () => {
  const f = floor();
  for (const fault of Object.keys(INSTRUMENT_FAULTS)) {
    expect(pressed(f, `/instrument/0/fault/${fault}`)).toBe(true);
    expect(f.instruments[0]!.instrument.faults).toMatchObject({ [fault]: true });
  }
  for (const path of [
    '/instrument/9/put/0',
    '/instrument/0/put/99',
    '/instrument/0/fault/no',
    '/house/0/fault/fireOut',
    '/',
  ])
    expect(pressed(f, path)).toBe(false);
});
