import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { chainEntries, loadEntries } from '@/features/logbook/chain';
import { postEntry, startBatch } from '@/features/batches/service';
import type { PostedBody } from '@/features/logbook/contract';
import { ingestReadings } from '@/features/readings/ingest';
import { verifyLogbook } from '@/features/records/verify';
import { addDevice } from '@/features/settings/service';
import { ServerClockInDoubt, clockDoubt, watchClock } from '@/platform/clock-watch';
import { freshDatabase, type TestDb } from '../support/database';
import { person } from '../support/people';
import { weigh } from '../support/weigh';

jest.mock('@/features/accounts/identify', () => ({}));

const ann = person('Ann', 'operator');
const nowS = () => Date.now() / 1000;
const iso = (s: number) => new Date(s * 1000).toISOString();
let t: TestDb;
let batchId: string;
beforeAll(async () => {
  t = await freshDatabase();
  batchId = randomUUID();
  const started = await startBatch(t.db, ann, {
    id: batchId,
    recipeVersionId: t.versionId,
    meatG: 20_000,
    startedAt: iso(nowS() - 3600),
    readyBy: iso(nowS() + 86_400),
  } as never);
  expect(started).toMatchObject({ ok: true });
});
afterAll(() => t.drop());

const post = (body: PostedBody, happenedS = nowS() - 1) =>
  postEntry(t.db, ann, batchId, {
    id: randomUUID(),
    happenedAt: iso(happenedS),
    body,
    corrects: null,
    confirmed: true,
    enteredIn: 'metric',
  });
const note: PostedBody = { kind: 'noted', text: 'x' };

describe('a server’s clock that is wrong', () => {
  afterEach(async () => {
    await sql`update ledger_head set at = now()`.execute(t.owner);
    await watchClock(t.db);
  });

  test('nothing is chained with a time before the last entry', async () => {
    await t.db.transaction().execute((tx) =>
      chainEntries(
        tx,
        batchId,
        [
          {
            id: randomUUID(),
            happenedS: nowS() - 10,
            by: { id: 'ann', name: 'Ann' },
            corrects: null,
            body: { kind: 'noted', text: 'by a clock that was set back' },
          },
        ],
        nowS() - 7200,
      ),
    );
    const recorded = (await loadEntries(t.db, batchId)).map((e) => e.recordedS);
    expect(recorded).toEqual([...recorded].sort((a, b) => a - b));
    expect((await verifyLogbook(t.db)).problems).toEqual([]);
  });

  test('a record that is ahead of it puts it in doubt, and nobody else is blamed', async () => {
    expect(clockDoubt()).toBeNull();
    await sql`update ledger_head set at = now() + interval '3 hours'`.execute(t.owner);
    const warn = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
    await watchClock(t.db);
    expect(warn).toHaveBeenCalledWith(expect.stringContaining('about 3 h behind'));
    warn.mockRestore();
    expect(clockDoubt()?.against).toBe('record');
    expect(await post(note, nowS() + 7200)).toMatchObject({ ok: false, code: 'server_clock' });
    const device = await addDevice(t.db, { name: 'D', houseId: 'house' });
    const ahead = [{ channel: 'air', at: iso(nowS() + 7200), tempC: 20 }];
    const report = ingestReadings(t.db, { id: device.id, houseId: 'house' }, ahead, nowS());
    await expect(report).rejects.toThrow(ServerClockInDoubt);
  });

  test('right again, a time in the future is the device’s or the person’s', async () => {
    expect(await post(note, nowS() + 7200)).toMatchObject({ ok: false, code: 'in_future' });
  });
});

test.each<[string, number, string]>([
  ['ten years ago', -3650 * 86_400, 'from before this site existed'],
  ['in an hour', 3600, 'in the future'],
])(
  'a reading of %s is refused by its row, the one beside it is kept',
  async (_when, offS, words) => {
    const device = await addDevice(t.db, { name: 'D', houseId: 'house' });
    const rows = [nowS() + offS, nowS() - 30 - Math.abs(offS) / 1e6].map((s) => ({
      channel: 'air',
      at: iso(s),
      tempC: 20,
    }));
    const answer = await ingestReadings(t.db, { id: device.id, houseId: 'house' }, rows, nowS());
    expect(answer).toMatchObject({ new: 1, bad: [{ index: 0, field: 'at' }] });
    expect(answer.bad[0]!.reason).toContain(words);
  },
);

test.each<[string, () => PostedBody, string]>([
  ['a scale', () => weigh('pork', 9000, { scaleId: 'nobody’s' }), 'no_such_scale'],
  ['a house', () => ({ kind: 'run_started', houseId: 'nowhere' }), 'no_such_house'],
  [
    'a program',
    () => ({
      kind: 'run_started',
      houseId: 'house',
      program: { name: 'Ghost', versionId: randomUUID(), stages: [STAGE] },
    }),
    'no_such_program',
  ],
])('an entry cannot name %s that is not there', async (_what, body, code) => {
  const said = body();
  const lineId = await meatLine();
  const asked = said.kind === 'weighed' ? { ...said, lineId } : said;
  expect(await post(asked)).toMatchObject({ ok: false, code });
});

const STAGE = {
  id: 's1',
  name: 'Cook',
  kind: 'cook',
  place: 'house',
  airC: 80,
  smoke: false,
  plannedS: 3600,
} as never;
const meatLine = async () => {
  const row = await t.db
    .selectFrom('recipeVersion')
    .select('content')
    .where('id', '=', t.versionId)
    .executeTakeFirstOrThrow();
  return row.content.meat[0]!.id;
};
