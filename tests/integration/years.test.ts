import { sql } from 'kysely';
import type { SlowSpan } from '@/core';
import { countReadings, evidenceMark, loadSeries } from '@/features/logbook/evidence';
import { judgedOf, judgedSeries } from '@/features/logbook/kept-evidence';
import { storeReadings } from '@/features/readings/repository';
import type { Handle } from '@/platform/db/client';
import { freshDatabase, type TestDb } from '../support/database';

const DAY = 86_400;
const FROM_S = Date.parse('2026-03-05T09:17:23Z') / 1000;
const CHANNELS = [1, 2];
const DRYING: SlowSpan[] = [{ fromS: FROM_S, toS: Infinity }];

let t: TestDb;
beforeAll(async () => {
  t = await freshDatabase();
});
afterAll(() => t.drop());

/** Every half minute, from and to so many days after the beginning, on both channels. */
const rows = (fromDay: number, toDay: number) =>
  CHANNELS.flatMap((channelId) =>
    Array.from({ length: Math.floor((toDay - fromDay) * 2880) }, (_, i) => {
      const tS = FROM_S + fromDay * DAY + i * 30;
      return { channelId, atMs: tS * 1000, tempC: Math.round(130 + 9 * Math.sin(tS / 3000)) / 10 };
    }),
  );

const wanted = (ref: string, days: number, slow = DRYING) => ({
  ref,
  channels: CHANNELS,
  fromS: FROM_S,
  toS: FROM_S + days * DAY,
  slow,
});
const seriesOf = async (db: Handle, w: Parameters<typeof judgedSeries>[1]) =>
  (await judgedSeries(db, w)).series;
const anew = async (days: number, slow = DRYING, db: Handle = t.db) =>
  judgedOf(await loadSeries(db, CHANNELS, FROM_S, FROM_S + days * DAY), slow);

/** What the summaries say, and what the readings come to: channel, start, number, extremes and mean. */
async function sums(table: string, every: string): Promise<[unknown[], unknown[]]> {
  const said = await sql`
    select channel_id, at, n, low_c, high_c, round((sum_c / n)::numeric, 6)::float8 as mean
    from ${sql.table(table)} order by 1, 2`.execute(t.db);
  const truth = await sql`
    select channel_id, date_bin(${sql.lit(every)}::interval, at, 'epoch') as at, count(*)::int as n, min(temp_c) as low_c,
      max(temp_c) as high_c, round(avg(temp_c::float8)::numeric, 6)::float8 as mean
    from reading group by 1, 2 order by 1, 2`.execute(t.db);
  return [said.rows, truth.rows];
}

test('a log that goes on, comes late, or is read in another stage is judged as from its first reading', async () => {
  await storeReadings(t.db, rows(0, 3));
  const first = await seriesOf(t.db, wanted('a', 3));
  expect(first).toEqual(await anew(3));
  expect(first[1]!.length).toBeLessThan((3 * 2880) / 2);

  await storeReadings(t.db, rows(3, 4));
  expect(await seriesOf(t.db, wanted('a', 4))).toEqual(await anew(4));

  const late = { channelId: 2, atMs: (FROM_S + DAY + 11) * 1000, tempC: 19.5 };
  await storeReadings(t.db, [late]);
  const after = await seriesOf(t.db, wanted('a', 4));
  expect(after).toEqual(await anew(4));
  expect(Math.max(...after[2]!.map((r) => r.tempC))).toBe(19.5);

  const began = [{ fromS: FROM_S + 2 * DAY, toS: Infinity }];
  expect(await seriesOf(t.db, wanted('a', 4, began))).toEqual(await anew(4, began));
  /* The record of another batch over the same channels is its own. */
  expect(await seriesOf(t.db, wanted('b', 1))).toEqual(await anew(1));
});

test('what is written in a transaction is judged there, and forgotten with it', async () => {
  const undo = new Error('undo');
  const here = { channelId: 1, atMs: (FROM_S + 3.5 * DAY + 7) * 1000, tempC: 25 };
  await t.db
    .transaction()
    .execute(async (tx) => {
      await storeReadings(tx, [here]);
      expect(await seriesOf(tx, wanted('a', 4))).toEqual(await anew(4, DRYING, tx));
      throw undo;
    })
    .catch((error) => {
      if (error !== undo) throw error;
    });
  const after = await seriesOf(t.db, wanted('a', 4));
  expect(after).toEqual(await anew(4));
  expect(Math.max(...after[1]!.map((r) => r.tempC))).toBeLessThan(20);
});

test.each([
  ['reading_minute', '1 minute'],
  ['reading_hour', '1 hour'],
])('%s says what the readings come to, late ones too', async (table, every) => {
  const twice = { channelId: 1, atMs: (FROM_S + 5 * DAY) * 1000, tempC: 14 };
  await storeReadings(t.db, [twice, { ...twice, atMs: twice.atMs + 1, tempC: 9 }]);
  /* A reading that is known already counts once. */
  await storeReadings(t.db, [twice]);
  const [said, truth] = await sums(table, every);
  expect(said.length).toBeGreaterThan(70);
  expect(said).toEqual(truth);
});

test.each([0, 1, 35 * 60, 3600, 3 * 3600 + 59, 30 * 3600])(
  'readings of %d s are counted to the last one',
  async (forS) => {
    const toS = FROM_S + DAY / 2 + forS;
    const { rows: counted } = await sql<{ id: number; n: number }>`
      select channel_id as id, count(*)::int as n from reading
      where at between to_timestamp(${FROM_S + DAY / 2}) and to_timestamp(${toS}) group by 1`.execute(
      t.db,
    );
    const by = await countReadings(
      t.db,
      FROM_S + DAY / 2,
      CHANNELS.map((channelId) => ({ channelId, toS })),
    );
    expect([...by].sort()).toEqual(counted.map((r) => [r.id, r.n]).sort());
  },
);

test('evidence is marked by all that came, late or in time', async () => {
  const span = { channels: CHANNELS, fromS: FROM_S, endS: null };
  const mark = () => evidenceMark(t.db, span, FROM_S + 2 * DAY);
  const before = await mark();
  await storeReadings(t.db, [{ channelId: 1, atMs: (FROM_S + 3 * DAY + 3) * 1000, tempC: 12 }]);
  expect(await mark()).toBe(before);
  await storeReadings(t.db, [{ channelId: 1, atMs: (FROM_S + DAY + 3) * 1000, tempC: 12 }]);
  expect(await mark()).not.toBe(before);
});
