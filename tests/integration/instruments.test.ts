import { randomUUID } from 'node:crypto';
import { houseForDevice } from '@/features/houses/device-view';
import {
  addInstrument,
  findInstrument,
  instrumentSchema,
  keepShown,
  listInstruments,
  liveOf,
  revokeInstrument,
  shownSchema,
} from '@/features/readings/instruments';
import { addMeter } from '@/features/readings/meters';
import { houseProgramSchema } from '@/features/readings/contract';
import { demoDatabase } from '../support/database';

jest.mock('@/features/accounts/identify', () => ({}));

const nowS = Date.now() / 1000;
let t: Awaited<ReturnType<typeof demoDatabase>>;
beforeAll(async () => {
  t = await demoDatabase();
});
afterAll(() => t.drop());

async function registered(name: string, what: 'scale' | 'ph_meter', meterId: string | null = null) {
  const made = await addInstrument(t.demo, { id: randomUUID(), name, what, meterId }, 'Ada');
  if (!made.ok) throw new Error(made.code);
  return (await findInstrument(t.demo, made.token))!;
}
const shown = (value: number, unit: string, more: object = {}) =>
  shownSchema.parse({ value, unit, steady: true, ...more });

test('a scale says what it shows in any unit; it is shown for a quarter of a minute, the last alone', async () => {
  const scale = await registered('Bench scale', 'scale');
  expect(await keepShown(t.demo, scale, shown(2, 'kg'), nowS - 1)).toBeNull();
  expect(await keepShown(t.demo, scale, shown(1.5, 'lb'), nowS)).toBeNull();
  const { live } = await liveOf(t.demo, 'scale', nowS + 5);
  expect(live).toEqual([
    expect.objectContaining({
      name: 'Bench scale',
      value: expect.closeTo(680.39, 2),
      steady: true,
    }),
  ]);
  const later = await liveOf(t.demo, 'scale', nowS + 20);
  expect(later).toEqual({ there: 1, live: [] });
});

test('a meter is one of the site’s own, and tells the temperature of its sample', async () => {
  const meterId = randomUUID();
  await addMeter(t.demo, { id: meterId, name: 'Third meter' }, 'Ada');
  const meter = await registered('Third meter', 'ph_meter', meterId);
  await keepShown(t.demo, meter, shown(5.12, 'pH', { sampleC: 21.5 }), nowS);
  const { live } = await liveOf(t.demo, 'ph_meter', nowS);
  expect(live).toEqual([expect.objectContaining({ meterId, value: 5.12, sampleC: 21.5 })]);
  for (const [value, unit] of [
    [45, 'pH'],
    [-1, 'pH'],
    [5, 'g'],
  ] as const)
    expect(await keepShown(t.demo, meter, shown(value, unit), nowS)).toMatch(/pH/);
  expect((await liveOf(t.demo, 'ph_meter', nowS)).live[0]!.value).toBe(5.12);
});

test('what makes no sense is not registered', async () => {
  const id = randomUUID();
  const bad = { id, name: 'X', what: 'ph_meter', meterId: null };
  expect(instrumentSchema.safeParse(bad).error!.issues[0]!.path).toEqual(['meterId']);
  expect(instrumentSchema.safeParse({ ...bad, what: 'scale', meterId: id }).success).toBe(false);
  const scale = { id, name: 'bench SCALE', what: 'scale', meterId: null } as const;
  expect(await addInstrument(t.demo, scale, 'Ada')).toEqual({
    ok: false,
    code: 'instrument_taken',
  });
  const meter = { id, name: 'Y', what: 'ph_meter', meterId: randomUUID() } as const;
  expect(await addInstrument(t.demo, meter, 'Ada')).toEqual({ ok: false, code: 'no_such_meter' });
});

test('a revoked one is known as such, shows nothing more, and its name is free', async () => {
  const scale = await registered('Old scale', 'scale');
  await keepShown(t.demo, scale, shown(1, 'kg'), nowS);
  await revokeInstrument(t.demo, scale.id, nowS);
  expect((await liveOf(t.demo, 'scale', nowS)).live.map((l) => l.id)).not.toContain(scale.id);
  expect((await listInstruments(t.demo)).map((i) => i.id)).not.toContain(scale.id);
  await expect(registered('Old scale', 'scale')).resolves.toMatchObject({ revokedAt: null });
});

test('a chamber’s device is told what ferments in it, a drying room’s what hangs there with its pieces', async () => {
  const loft = houseProgramSchema.parse(await houseForDevice(t.demo, 'loft'));
  expect(loft.goods).toEqual([expect.objectContaining({ ferment: expect.anything() as unknown })]);
  expect(loft.goods[0]!.ferment!.lastPh).toBeGreaterThan(4);
  const stone = houseProgramSchema.parse(await houseForDevice(t.demo, 'stone'));
  const [hung] = stone.goods;
  expect(hung!.ferment).toBeNull();
  expect(hung!.pieces.length).toBeGreaterThan(2);
  for (const p of hung!.pieces) expect(p.lossFraction).toBeGreaterThan(0.05);
});
