import { createServer, type Server } from 'node:http';
import type { HouseProgram } from '@/features/readings/contract';
import { Link } from './link';

const PROGRAM: HouseProgram = {
  ok: true,
  house: 'Test house',
  houseId: 'h',
  batch: null,
  stage: 'Smoke',
  medium: 'air',
  setC: 65,
  rh: 0.5,
  fan: null,
  damper: null,
  smoke: true,
  diameterMm: null,
  channels: [{ key: 'air', what: 'air', lastC: 60, piece: null }],
  goods: [],
};

type Report = { sentAt: string; readings: { channel: string; at: string }[] };

let server: Server;
let base: string;
let reports: Report[] = [];
let status = 200;
beforeAll(async () => {
  server = createServer((request, response) => {
    if (request.method === 'GET') return void response.end(JSON.stringify(PROGRAM));
    let body = '';
    request.on('data', (part: Buffer) => (body += part.toString()));
    request.on('end', () => {
      if (status === 200) reports.push(JSON.parse(body) as Report);
      response.writeHead(status).end('{}');
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const address = server.address();
  base = `http://127.0.0.1:${typeof address === 'object' ? address!.port : 0}`;
});
afterAll(() => new Promise((resolve) => server.close(resolve)));
beforeEach(() => {
  reports = [];
  status = 200;
});

const link = () => new Link({ id: 'd', token: 't', houseId: 'h', via: 'http' }, base, '');

test('a beat asks for the program, measures and reports with the device’s own clock', async () => {
  const l = link();
  await l.beat();
  expect(l.name).toBe('Test house');
  expect(reports).toHaveLength(1);
  expect(Math.abs(Date.parse(reports[0]!.sentAt) - Date.now())).toBeLessThan(5000);
  expect(l.waiting).toBe(0);
});

test('while the link is lost readings are kept; when it is back all of them are sent', async () => {
  const l = link();
  await l.beat();
  l.house.faults.linkLost = true;
  await l.beat();
  await l.beat();
  expect(reports).toHaveLength(1);
  expect(l.waiting).toBe(2);
  l.house.faults.linkLost = false;
  await l.beat();
  expect(reports[1]!.readings).toHaveLength(3);
  expect(l.waiting).toBe(0);
});

test('a server in trouble loses nothing: it is said, and sent the next time', async () => {
  const l = link();
  status = 503;
  await expect(l.beat()).rejects.toThrow(/503/);
  expect(l.waiting).toBe(1);
  status = 200;
  await l.beat();
  expect(reports[0]!.readings).toHaveLength(2);
});

test('a clock that is an hour slow shows in every time, and what is refused for it is not kept', async () => {
  const l = link();
  l.house.faults.clockWrong = true;
  await l.beat();
  const [report] = reports;
  for (const at of [report!.sentAt, report!.readings[0]!.at])
    expect(Date.now() - Date.parse(at)).toBeGreaterThan(3_590_000);
  status = 409;
  await l.beat();
  expect(l.waiting).toBe(0);
});
