import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { sql } from 'kysely';
import { loadOpen } from '@/features/logbook/open-batches';
import { houseChannels, storeReadings } from '@/features/readings/repository';
import { verifyIn, verifyLogbook } from '@/features/records/verify';
import { makePool, type Db, type Tx } from '@/platform/db/client';
import { headAnchor, keepAnchor, noteRestored, readAnchors } from '@/platform/ledger/anchor';
import type { Fact } from '@/platform/ledger/fact';
import { FACTS, NO_FACTS, READINGS } from '@/platform/ledger/facts';
import { parseKeys } from '@/platform/ledger/keys';
import { makeAuth } from '@/platform/auth';
import { demoDatabase } from '../support/database';

jest.mock('@/features/accounts/identify', () => ({}));

const OWN_KEYS = process.env.JOLLY_LEDGER_KEYS!;
const LATER_KEY = 'another-key-another-key-another-key';
let t: Awaited<ReturnType<typeof demoDatabase>>;
let demo: Db;
beforeAll(async () => {
  t = await demoDatabase();
  demo = t.demo;
  /* What the demo leaves empty. */
  await sql`insert into late_reading (channel_id, at, temp_c) values (1, '2026-01-01', 20)`.execute(
    demo,
  );
  await sql`insert into instrument (id, name, what, token_sha256, made_by_name)
    values (gen_random_uuid(), 'Scale', 'scale', 'x', 'Ada')`.execute(demo);
  await sql`insert into house_fit (house_id, batch_id, film_factor, core_readings)
    select 'big', id, 1, 100 from batch limit 1`.execute(demo);
  await sql`insert into forecast_score (batch_id, left_s, house_id, product_kind, score)
    select id, 3600, 'big', 'x', 1 from batch limit 1`.execute(demo);
});
afterAll(async () => {
  process.env.JOLLY_LEDGER_KEYS = OWN_KEYS;
  await t.drop();
});

const problemsOf = async (anchors = [] as Awaited<ReturnType<typeof headAnchor>>[]) =>
  (await verifyLogbook(demo, { anchors })).problems;

/** As somebody who owns the server: changes something with every trigger off, looks, and takes it back. */
async function tampered(
  change: (tx: Tx) => Promise<unknown>,
  against: Parameters<typeof verifyIn>[1] = {},
): Promise<string[]> {
  const undo = new Error('undo');
  let problems: string[] = [];
  await t.owner
    .transaction()
    .execute(async (tx) => {
      await sql`set local session_replication_role = replica`.execute(tx);
      await change(tx);
      ({ problems } = await verifyIn(tx, against));
      throw undo;
    })
    .catch((error) => {
      if (error !== undo) throw error;
    });
  return problems;
}

const run = (text: string) => (tx: Tx) => sql.raw(text).execute(tx);

test('the demo is whole as it was made', async () => expect(await problemsOf()).toEqual([]));

test('every table has its place: a fact, or a reason why not', async () => {
  const { rows } = await sql<{ name: string }>`
    select tablename as name from pg_tables where schemaname = 'public'`.execute(demo);
  const known = [...FACTS.map((f) => f.name), READINGS, ...Object.keys(NO_FACTS)];
  expect(rows.map((r) => r.name).sort()).toEqual(known.sort());
});

describe('one change to each table is found and named', () => {
  const FORGERIES: [table: string, statement: string][] = [
    ['site', `update site set time_zone = 'Asia/Tokyo'`],
    ['rule', `update rule set title = 'softer' where id = (select min(id) from rule)`],
    ['site_rule', `update site_rule set confirmed_by_name = 'Eve' where kind = 'dose'`],
    ['scale', `update scale set resolution_g = 0.001 where id = (select min(id) from scale)`],
    ['machine', `update machine set capacity_g = 1 where id = (select min(id) from machine)`],
    ['house', `update house set capacity_g = 1 where id = 'big'`],
    ['house_fit', `update house_fit set film_factor = film_factor * 1.1`],
    ['forecast_score', `update forecast_score set score = 2`],
    ['seal', `update seal set to_at = to_at - interval '1 hour'`],
    ['late_reading', `delete from late_reading`],
    ['program', `update program set name = name || ' '`],
    ['program_version', `update program_version set reason = 'other'`],
    ['calibration', `update calibration set channel_id = channel_id + 1`],
    ['device', `update device set revoked_at = now()`],
    ['channel', `update channel set what = 'core' where what = 'air'`],
    ['recipe', `update recipe set name = name || '!'`],
    ['recipe_version', `update recipe_version set created_by_name = 'Eve'`],
    ['recipe_decision', `update recipe_decision set decided_by_name = 'Eve'`],
    ['ingredient', `update ingredient set facts = facts || '{"nitriteFraction": 0.5}'`],
    ['lot', `update lot set use_by = use_by + 30 where use_by is not null`],
    ['lot_move', `update lot_move set change_g = change_g - 1`],
    ['casing_kind', `update casing_kind set name = name || '!'`],
    ['casing_lot', `update casing_lot set each_m = each_m * 2`],
    ['instrument', `update instrument set name = name || '!'`],
    ['ph_meter', `update ph_meter set name = name || '!'`],
    ['ph_meter_check', `update ph_meter_check set ok = not ok`],
    ['casing_move', `update casing_move set change_m = change_m + 100`],
    ['cleaning_task', `update cleaning_task set every_days = 365`],
    ['cleaning_done', `update cleaning_done set by_name = 'Eve'`],
    ['batch', `update batch set closed_at = null`],
    ['entry', `update entry set by_name = 'Eve' where seq = 7`],
    ['user', `update "user" set role = 'release_lead' where role = 'operator'`],
    ['account', `update account set password = 'x'`],
  ];

  test('there is a forgery for each', () =>
    expect(FORGERIES.map(([name]) => name).sort()).toEqual(FACTS.map((f) => f.name).sort()));

  test.each(FORGERIES)('%s', async (table, statement) => {
    expect(await tampered(run(statement))).toContainEqual(
      expect.stringContaining(`${table.replaceAll('_', ' ')} `),
    );
  });

  test.each([
    [
      'a reading',
      `update reading set temp_c = 71 where ctid = (select min(ctid) from reading)`,
      /readings of \d{4}-\d\d-\d\d: at least one/,
    ],
    [
      'a lost reading',
      `delete from reading where ctid = (select min(ctid) from reading)`,
      /readings of \S+: there are \d+, the application wrote \d+/,
    ],
    [
      'a forged reading',
      `insert into reading values (1, '2019-05-05', 72)`,
      /readings of 2019-05-05: there are 1, the application wrote 0/,
    ],
    [
      'a forged approval',
      `insert into recipe_decision (id, version_id, status, reason, decided_by_name) select gen_random_uuid(), id, 'approved', 'ok', 'Maud Harrow' from recipe_version limit 1`,
      /recipe decision \S+ was not written by the application/,
    ],
    ['a removed lot', `delete from lot where id = (select id from lot limit 1)`, /lot \S+ is gone/],
    [
      'a row of the ledger',
      `update ledger set facts = '[]' where seq = 3`,
      /ledger: row 3 was changed/,
    ],
    [
      'a time of the ledger',
      `update ledger set at = at - interval '1 day' where seq = 5`,
      /ledger: row 5 was changed/,
    ],
    ['a hole in the ledger', `delete from ledger where seq = 4`, /ledger: rows 4 to 4 are gone/],
    [
      'the end of the ledger',
      `update ledger_head set mac = repeat('1', 64)`,
      /ledger: it should end with row/,
    ],
  ])('%s', async (_what, statement, found) =>
    expect((await tampered(run(statement))).join('\n')).toMatch(found),
  );
});

test('a batch without a single entry is a finding, not a crash', async () => {
  const problems = await tampered(
    run(
      `delete from entry where batch_id = (select batch_id from entry order by seq desc limit 1)`,
    ),
  );
  expect(problems.join('\n')).toMatch(/entry \S+ is gone/);
  const start = await demo.transaction().execute(async (tx) => {
    await sql`insert into batch (id, code, recipe_version_id, started_at)
      select gen_random_uuid(), 'EMPTY', id, now() from recipe_version limit 1`.execute(tx);
    const found = (await verifyIn(tx)).problems;
    await sql`delete from batch where code = 'EMPTY'`.execute(tx);
    return found;
  });
  expect(start.join('\n')).toMatch(/batch \S+ was not written/);
  expect(start).toContainEqual('batch EMPTY has no start in the logbook');
});

test('a tail that was cut off with its head set back, ledger and logbook alike, is told by an anchor', async () => {
  const anchor = await headAnchor(demo);
  const cut = async (tx: Tx) => {
    const { rows } = await sql<{ facts: string; seq: number }>`
      select seq, facts from ledger order by seq desc limit 1`.execute(tx);
    const last = rows[0]!;
    for (const fact of JSON.parse(last.facts) as Fact[])
      if (fact.length === 3)
        await sql`delete from ${sql.table(fact[0])} where ${sql.ref(FACTS.find((f) => f.name === fact[0])!.key[0]!)}::text = ${fact[1].split('/')[0]!}`.execute(
          tx,
        );
    await sql`delete from ledger where seq = ${last.seq}`.execute(tx);
    await sql`update ledger_head h set seq = l.seq, mac = l.mac, at = l.at from ledger l
      where l.seq = (select max(seq) from ledger)`.execute(tx);
  };
  expect((await tampered(cut)).filter((p) => p.startsWith('ledger'))).toEqual([]);
  expect((await tampered(cut, { anchors: [anchor] })).join('\n')).toMatch(
    /ledger: it was cut off: anchor \d+\.[0-9a-f]{32} of \S+ lies beyond its end/,
  );
  expect(await problemsOf([anchor])).toEqual([]);
  expect(await problemsOf([{ ...anchor, mac: 'f'.repeat(32) }])).toEqual([
    expect.stringMatching(/is not the one of anchor/),
  ]);
});

test('a ledger that was written anew from the start does not have the key', async () => {
  const problems = await tampered(
    run(`update ledger set key_id = 'forged', mac = encode(sha256(mac::bytea), 'hex')`),
  );
  expect(problems[0]).toMatch(/row 1 was written under a key that this site does not have/);
});

test('what somebody writes past the application, with all triggers on, is not sealed with its next change', async () => {
  const { sticks } = await demo
    .selectFrom('house')
    .select('sticks')
    .where('id', '=', 'little')
    .executeTakeFirstOrThrow();
  await sql`update house set sticks = 77 where id = 'little'`.execute(t.owner);
  await sql`update scale set name = name || ' (bench)'`.execute(demo);
  const problems = await problemsOf();
  expect(problems).toContainEqual('house little says something else than when it was written');
  expect(problems).toContainEqual('house: changed by something other than the application');
  expect(problems.filter((p) => p.startsWith('scale'))).toEqual([]);
  await sql`update house set sticks = ${sticks} where id = 'little'`.execute(t.owner);
  await sql`delete from ledger_change`.execute(t.owner);
});

describe('the application’s role', () => {
  test.each([
    `alter table entry disable trigger append_only`,
    `drop trigger note_change on lot`,
    `update entry set by_name = 'Eve'`,
    `delete from reading`,
    `update recipe_version set reason = 'x'`,
    `delete from ledger`,
    `update ledger set facts = '[]'`,
    `insert into ledger_change (tbl, key, digest) values ('lot', 'x', 'y')`,
    `truncate ledger`,
    `set session_replication_role = replica`,
    `create table mine (id int)`,
  ])('may not: %s', async (statement) => {
    await expect(sql.raw(statement).execute(demo)).rejects.toThrow(
      /permission denied|must be owner|append-only/,
    );
  });
});

describe('keys', () => {
  test('a new one writes from then on; the one it replaced may not write again', async () => {
    process.env.JOLLY_LEDGER_KEYS = `${OWN_KEYS},${LATER_KEY}`;
    await sql`update scale set name = name || '.'`.execute(demo);
    expect(await problemsOf().then((p) => p.filter((x) => x.startsWith('ledger')))).toEqual([]);
    process.env.JOLLY_LEDGER_KEYS = OWN_KEYS;
    const keys = parseKeys(`${OWN_KEYS},${LATER_KEY}`);
    await sql`update scale set name = name || '.'`.execute(demo);
    const found = (await verifyLogbook(demo, { keys })).problems;
    expect(found.join()).toMatch(/row \d+ was written under a key that had been replaced/);
    process.env.JOLLY_LEDGER_KEYS = `${OWN_KEYS},${LATER_KEY}`;
  });

  test.each(['', ' , ', 'short'])('%j is refused', (text) =>
    expect(() => parseKeys(text)).toThrow(/JOLLY_LEDGER_KEYS/),
  );

  test('nothing of the record is changed without one', async () => {
    const kept = process.env.JOLLY_LEDGER_KEYS!;
    process.env.JOLLY_LEDGER_KEYS = '';
    const before = (await headAnchor(demo)).seq;
    await expect(sql`update scale set name = 'x'`.execute(demo)).rejects.toThrow(
      /JOLLY_LEDGER_KEYS/,
    );
    process.env.JOLLY_LEDGER_KEYS = kept;
    expect((await headAnchor(demo)).seq).toBe(before);
    const { rows } = await sql<{
      n: number;
    }>`select count(*)::int as n from scale where name = 'x'`.execute(demo);
    expect(rows[0]!.n).toBe(0);
  });
});

test('what is seen is of one moment: work that goes on does not look like tampering', async () => {
  const before = await problemsOf();
  const [channel] = await houseChannels(demo, 'big');
  let going = true;
  let n = 0;
  const work = (async () => {
    while (going) {
      n += 1;
      await storeReadings(demo, [
        { channelId: channel!.id, atMs: Date.parse('2026-02-02') + n * 1000, tempC: 20 },
      ]);
    }
  })();
  for (let i = 0; i < 4; i += 1) expect(await problemsOf()).toEqual(before);
  going = false;
  await work;
  expect(n).toBeGreaterThan(4);
});

test('anchors are kept in a file, once each, and start anew when a backup was put back', async () => {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'kettle-anchors-'));
  const file = path.join(folder, 'deep', 'anchors.log');
  const first = await keepAnchor(demo, file, null);
  expect(await keepAnchor(demo, file, first)).toBe(first);
  await sql`update scale set name = name || '.'`.execute(demo);
  const second = await keepAnchor(demo, file, first);
  expect(second).not.toBe(first);
  fs.appendFileSync(file, 'nonsense\n');
  expect(readAnchors(file).anchors.map((a) => a.seq)).toHaveLength(2);
  noteRestored(file, first);
  const { anchors, restoredAt } = readAnchors(file);
  expect(anchors).toHaveLength(1);
  expect(Date.parse(restoredAt!)).toBeGreaterThan(Date.now() - 60_000);
  fs.rmSync(folder, { recursive: true });
});

test('accounts changed by the library are sealed too', async () => {
  const pool = makePool(t.url, 2);
  const auth = makeAuth(pool, 'x'.repeat(40));
  const before = (await headAnchor(demo)).seq;
  await auth.api.createUser({
    body: { name: 'New', email: `${randomUUID()}@x.example`, password: 'a long enough one' },
  });
  expect((await headAnchor(demo)).seq).toBeGreaterThan(before);
  expect((await problemsOf()).filter((p) => /^(user|account) /.test(p))).toEqual([]);
  await pool.end();
});

test('judging goes on as before', async () => {
  expect((await loadOpen(demo, Date.now() / 1000)).unjudged).toEqual([]);
});
