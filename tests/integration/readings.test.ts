import { getMigrations } from 'better-auth/db/migration';
import { houseForDevice } from '@/features/houses/device-view';
import { ingestReadings } from '@/features/readings/ingest';
import { lastReadings } from '@/features/readings/repository';
import { loadSeries } from '@/features/logbook/evidence';
import { addDevice, findDevice, revokeDevice } from '@/features/settings/service';
import { makeAuth } from '@/platform/auth';
import { makePool } from '@/platform/db/client';
import { freshDatabase, type TestDb } from '../support/database';

jest.mock('@/features/accounts/identify', () => ({}));

const nowS = Date.parse('2026-11-23T12:00:00Z') / 1000;
const row = (min: number, tempC = 4, channel = 'core-1') => ({
  channel,
  at: new Date((nowS - min * 60) * 1000).toISOString(),
  tempC,
});

let t: TestDb;
let device: { id: string; houseId: string };
beforeAll(async () => {
  t = await freshDatabase();
  const { id } = await addDevice(t.db, { name: 'Logger', houseId: 'house' });
  device = { id, houseId: 'house' };
});
afterAll(() => t.drop());

test('new, known and bad rows are told apart, and what was stored stays', async () => {
  const first = await ingestReadings(
    t.db,
    device,
    [row(3), row(2), row(1), row(1, 9, 'nowhere')],
    nowS,
  );
  expect(first).toMatchObject({ new: 3, known: 0, bad: [{ index: 3, field: 'channel' }] });
  const again = await ingestReadings(t.db, device, [row(3), row(2, 77), row(0)], nowS);
  expect(again).toMatchObject({ new: 1, known: 1, bad: [{ index: 1, field: 'tempC' }] });
  const id = (
    await t.db
      .selectFrom('channel')
      .select('id')
      .where('key', '=', 'core-1')
      .executeTakeFirstOrThrow()
  ).id;
  const series = await loadSeries(t.db, [id], nowS - 3600, nowS);
  expect(series[id]!.map((r) => r.tempC)).toEqual([4, 4, 4, 4]);
  expect((await lastReadings(t.db, [id]))[id]).toEqual({ tS: nowS, tempC: 4 });
});

test('the same batch sent by two connections at once is stored once', async () => {
  const rows = Array.from({ length: 500 }, (_, i) => row(100 + i, 20, 'air'));
  const both = await Promise.all([1, 2].map(() => ingestReadings(t.db, device, rows, nowS)));
  expect(both[0]!.new + both[1]!.new).toBe(500);
  expect(both[0]!.known + both[1]!.known).toBe(500);
});

test('a humidity sensor fills the wet bulb of its house, told twice it is known', async () => {
  const at = new Date((nowS - 60) * 1000).toISOString();
  const rows = [{ channel: 'wet', at, rh: 0.8 }];
  await t.db
    .insertInto('channel')
    .values({ houseId: 'house', batchId: null, key: 'wet', name: 'Wet bulb', what: 'wet_bulb' })
    .execute();
  expect(await ingestReadings(t.db, device, rows, nowS)).toMatchObject({
    new: 0,
    bad: [{ index: 0, field: 'airC' }],
  });
  await ingestReadings(t.db, device, [{ channel: 'air', at, tempC: 14 }], nowS);
  expect(await ingestReadings(t.db, device, rows, nowS)).toMatchObject({ new: 1, bad: [] });
  expect(await ingestReadings(t.db, device, rows, nowS)).toMatchObject({ new: 0, known: 1 });
  /* The air has gone on since: told again, or late, it is still that of its own time. */
  const later = new Date(nowS * 1000 + 1000).toISOString();
  await ingestReadings(t.db, device, [{ channel: 'air', at: later, tempC: 30 }], nowS);
  expect(await ingestReadings(t.db, device, rows, nowS)).toMatchObject({ known: 1, bad: [] });
});

test('a device is known by its token alone, until it is revoked', async () => {
  const { id, token } = await addDevice(t.db, { name: 'Other', houseId: 'house' });
  expect(await findDevice(t.db, 'jk_wrong')).toBeUndefined();
  expect(await findDevice(t.db, token)).toMatchObject({ id, revokedAt: null });
  await revokeDevice(t.db, id);
  expect((await findDevice(t.db, token))!.revokedAt).not.toBeNull();
});

test('an empty house tells its devices so', async () => {
  expect(await houseForDevice(t.db, 'house')).toMatchObject({
    batch: null,
    setC: null,
    medium: 'air',
  });
});

test('the accounts library finds all its tables and columns in our schema', async () => {
  const pool = makePool(t.url, 2);
  const { toBeCreated, toBeAdded } = await getMigrations(makeAuth(pool, 'x'.repeat(40)).options);
  expect([toBeCreated, toBeAdded]).toEqual([[], []]);
  await pool.end();
});
