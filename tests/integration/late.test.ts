import { loadDossier } from '@/features/logbook/case';
import { takeLate } from '@/features/batches/late';
import { closedBatches } from '@/features/logbook/heads';
import { ingestReadings } from '@/features/readings/ingest';
import { houseChannels } from '@/features/readings/repository';
import { lateOf } from '@/features/readings/seals';
import { verifyLogbook } from '@/features/records/verify';
import type { Db } from '@/platform/db/client';
import { demoDatabase } from '../support/database';
import { person } from '../support/people';

jest.mock('@/features/accounts/identify', () => ({}));

const nowS = () => Date.now() / 1000;
const lead = person('Maud', 'release_lead');
let demo: Db;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ demo, drop } = await demoDatabase());
});
afterAll(() => drop());

/** A released batch of the demo, its core's key, and the time of one of its readings, s. */
async function released() {
  const [head] = await closedBatches(demo, '', 10);
  const d = (await loadDossier(demo, head!.id, nowS()))!;
  const core = d.case.state.probes.find((p) => p.what === 'core' && p.thickest)!;
  const { houseId } = d.case.state.run!;
  const channels = await houseChannels(demo, houseId);
  const { key } = channels.find((c) => c.id === core.channelId)!;
  const log = d.case.series[core.channelId]!;
  const { tS } = log[Math.floor(log.length / 2)]!;
  /* As it was reported: the case has it with the offset that the probe's check found. */
  const { tempC } = await demo
    .selectFrom('reading')
    .select('tempC')
    .where('channelId', '=', core.channelId)
    .where('at', '=', new Date(tS * 1000))
    .executeTakeFirstOrThrow();
  return { d, houseId, key, at: { tS, tempC }, channelId: core.channelId };
}
const report = async (houseId: string, rows: { channel: string; at: string; tempC: number }[]) => {
  const device = await demo
    .selectFrom('device')
    .select('id')
    .where('houseId', '=', houseId)
    .executeTakeFirstOrThrow();
  return ingestReadings(demo, { id: device.id, houseId }, rows, nowS());
};
const iso = (s: number) => new Date(s * 1000).toISOString();

test('a late reading leaves the signed record as it was, and is shown beside it', async () => {
  const { d, houseId, key, at, channelId } = await released();
  const rows = [
    { channel: key, at: iso(at.tS + 0.5), tempC: 21 },
    { channel: key, at: iso(at.tS + 1.5), tempC: 22 },
    { channel: key, at: iso(nowS() - 1), tempC: 4 },
    { channel: key, at: iso(at.tS), tempC: at.tempC },
    { channel: key, at: iso(at.tS + 0.5), tempC: 21 },
  ];
  expect(await report(houseId, rows)).toMatchObject({ new: 1, late: 2, known: 2, bad: [] });
  expect(await report(houseId, rows)).toMatchObject({ new: 0, late: 0, known: 5 });
  expect(
    (await report(houseId, [{ channel: key, at: iso(at.tS), tempC: at.tempC + 9 }])).bad,
  ).toHaveLength(1);
  const after = (await loadDossier(demo, d.head.id, nowS()))!;
  expect(after.case.series[channelId]).toEqual(d.case.series[channelId]);
  expect(await lateOf(demo, d.head.id)).toMatchObject({ count: 2, firstS: at.tS + 0.5 });
  const verified = await verifyLogbook(demo);
  expect(verified.problems).toEqual([]);
  expect(verified.notes.join()).toMatch(/2 readings came after it was signed/);
});

test('a release lead takes them in with a reason: the signature falls and the batch is on hold', async () => {
  const { d, channelId } = await released();
  const before = d.case.series[channelId]!.length;
  expect(await takeLate(demo, lead, d.head.id, 'the logger was out of reach')).toEqual({
    ok: true,
    data: { count: 2 },
  });
  const after = (await loadDossier(demo, d.head.id, nowS()))!;
  expect(after.case.state.signature!.stands).toBe(false);
  expect(after.case.state.holds.at(-1)).toMatchObject({ open: true, source: 'person' });
  expect(after.case.series[channelId]).toHaveLength(before + 2);
  expect(await takeLate(demo, lead, d.head.id, 'again')).toMatchObject({ code: 'nothing_late' });
  expect((await verifyLogbook(demo)).problems).toEqual([]);
});
