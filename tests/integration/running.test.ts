import { sql } from 'kysely';
import { randomUUID } from 'node:crypto';
import { loadOpenDossiers } from '@/features/logbook/open-batches';
import { runChart } from '@/features/batches/chart-data';
import { nextStep } from '@/features/batches/next-step';
import { closedBatches } from '@/features/logbook/heads';
import { watchOnce } from '@/features/batches/watch';
import { batchInHouse, surroundings } from '@/features/houses/program';
import { wayNow } from '@/features/houses/way';
import { housesNow } from '@/features/houses/houses';
import { latestVersions, versionsOf } from '@/features/recipes/repository';
import { RULE_KINDS } from '@/core';
import { saveRecipe } from '@/features/recipes/service';
import { currentRules, listRules, loadSite } from '@/features/settings/repository';
import { chooseRule, editRule } from '@/features/settings/service';
import { verifyLogbook } from '@/features/records/verify';
import { makePool, type Db } from '@/platform/db/client';
import { changeFeed, notify, type Change } from '@/platform/events';
import { DEMO_RECIPES } from '../../scripts/demo/recipes';
import { loadDemo } from '../../scripts/demo/load';
import { demoDatabase } from '../support/database';

jest.mock('@/features/accounts/identify', () => ({}));

const nowS = () => Date.now() / 1000;
const HOUR = 3600;

let demo: Db;
let drop: () => Promise<void>;
let url: string;
beforeAll(async () => {
  ({ demo, url, drop } = await demoDatabase());
});
afterAll(() => drop());

const open = () => loadOpenDossiers(demo, nowS());
const phases = async () =>
  (await open())
    .map((d) => `${d.case.state.phase}${d.case.state.holds.some((h) => h.open) ? ', held' : ''}`)
    .sort();

test('the demo has a batch in every place', async () => {
  expect(await phases()).toEqual([
    'chilling',
    'cure_hold',
    'cure_hold',
    'in_house',
    'in_house',
    'in_house',
    'in_house',
    'making',
    'to_sign',
    'to_sign',
    'to_sign, held',
  ]);
  expect(await closedBatches(demo, '', 10)).toHaveLength(4);
});

test('what the demo tells is whole', async () =>
  expect((await verifyLogbook(demo)).problems).toEqual([]));

test('closed batches are found by recipe and number, and a pattern is only a text', async () => {
  expect(await closedBatches(demo, 'duck', 10)).toHaveLength(1);
  expect(await closedBatches(demo, '%', 10)).toHaveLength(0);
  const [one] = await closedBatches(demo, '', 1);
  expect((await closedBatches(demo, one!.code, 10)).map((b) => b.id)).toEqual([one!.id]);
});

test('the houses know their loads, set points and curves', async () => {
  const houses = await housesNow(demo, await open());
  const big = houses.find((h) => h.id === 'big')!;
  expect(big.load!.case.state.phase).toBe('in_house');
  expect(surroundings(big.load!.case.state)).toMatchObject({
    medium: 'air',
    setC: 68,
  });
  const chart = (await runChart(demo, [big.load!.case]))!;
  expect(chart.lines.map((l) => l.name)).toEqual([
    'Core 1',
    'Core 2',
    'Air',
    'Air, front',
    'Wet bulb',
  ]);
  expect(chart.bands.map((b) => b.name)).toEqual(['Dry', 'Oak and juniper smoke']);
  expect(chart.lines.every((l) => l.readings.length <= 600)).toBe(true);
  expect(batchInHouse(await open(), 'nowhere')).toBeNull();
  expect(nextStep(houses.find((h) => h.id === 'little')!.load!.case)).toMatchObject({
    code: 'cool',
    toC: 26.7,
  });
});

test('every running batch has a way: what it has behind it is not planned again, what runs ends as forecast', async () => {
  const site = await loadSite(demo);
  for (const d of await open()) {
    const now = nowS();
    const { pieces, readyS } = await wayNow(demo, d, site, now, []);
    expect(readyS).not.toBeNull();
    const running = pieces.filter((p) => p.standing === 'now');
    expect(running.length).toBeLessThanOrEqual(1);
    expect(running.every((p) => p.startS <= now && p.endS >= now)).toBe(true);
    const behind = pieces.filter((p) => p.standing === 'done' || p.standing === 'unrecorded');
    const ahead = pieces.filter((p) => p.standing === 'ahead');
    expect(behind.every((p) => p.endS <= now)).toBe(true);
    expect(ahead.every((p) => p.startS >= now)).toBe(true);
    expect(pieces).toEqual([...behind, ...running, ...ahead]);
    const { phase } = d.case.state;
    if (phase === 'in_house') {
      expect(running[0]!.key).toMatch(/^stage:/);
      expect(behind.map((p) => p.key)).toEqual(
        expect.arrayContaining(['prepare', 'stuff', 'load']),
      );
    }
    if (phase === 'chilling') expect((running[0] ?? ahead[0])!.key).toMatch(/^chill:/);
    if (phase === 'to_sign') expect([running, ahead]).toEqual([[], []]);
  }
});

test('started again within the hour the demo is kept, and earlier devices may speak no more', async () => {
  const before = (await open()).map((d) => d.head.id).sort();
  const pool = makePool(url, 2);
  await loadDemo(demo, nowS());
  expect((await open()).map((d) => d.head.id).sort()).toEqual(before);
  const devices = await demo.selectFrom('device').select('revokedAt').execute();
  expect(devices.filter((d) => d.revokedAt === null)).toHaveLength(4);
  await pool.end();
});

test('the watch records a hold that time has made due, once', async () => {
  const cooling = (await open()).find((d) => d.case.state.phase === 'chilling')!;
  const at = cooling.case.state.run!.pulledS!;
  const channel = cooling.case.state.probes.find((p) => p.thickest)!.channelId;
  // A probe that reports a warm core six hours on: the first cooling step has run out.
  await sql`insert into reading select ${channel}, to_timestamp(${at}) + i * interval '5 minutes' + interval '2 hours', 50 from generate_series(1, 60) i on conflict do nothing`.execute(
    demo,
  );
  const real = Date.now;
  Date.now = () => (at + 6 * HOUR) * 1000;
  try {
    await watchOnce(demo);
    await watchOnce(demo);
  } finally {
    Date.now = real;
  }
  const entries = await demo
    .selectFrom('entry')
    .select(['kind', 'body', 'byName'])
    .where('batchId', '=', cooling.head.id)
    .where('kind', '=', 'held')
    .execute();
  expect(entries.map((e) => [(e.body as { check?: string }).check, e.byName])).toEqual([
    ['cooling', 'Jolly Kettle'],
  ]);
});

test('a change is heard by another connection, also after the database cut the line', async () => {
  process.env.DATABASE_URL = url;
  process.env.BETTER_AUTH_SECRET = 'x'.repeat(40);
  const heard: Change[] = [];
  const leave = changeFeed().subscribe((c) => heard.push(c));
  const hear = async (id: string) => {
    for (let i = 0; i < 60 && !heard.some((c) => c.id === id); i += 1) {
      await notify(demo, { topic: 'batch', id });
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    expect(heard.some((c) => c.id === id)).toBe(true);
  };
  await hear('first');
  await sql`select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and query like 'listen%'`.execute(
    demo,
  );
  await hear('second');
  leave();
});

describe('rules and recipes', () => {
  test('a new site uses one rule of each kind, none confirmed yet', async () => {
    const rules = await listRules(demo);
    expect(rules.filter((r) => r.chosen)).toHaveLength(RULE_KINDS.length);
    expect(rules.filter((r) => r.confirmedByName !== null)).toEqual([]);
  });

  test('choosing and editing make new pins, never change a rule', async () => {
    const running = (await open())[0]!.case.rules.cooling.id;
    expect(await chooseRule(demo, 'cooling-food-service@1', 'Maud')).toBe(true);
    expect((await currentRules(demo)).cooling.code).toBe('cooling-food-service');
    const body = (await currentRules(demo)).cooling.body;
    expect(
      await editRule(
        demo,
        {
          ruleId: 'cooling-food-service@1',
          title: 'Ours',
          source: 'validated in our cooler',
          body,
        },
        'Maud',
      ),
    ).toBe(true);
    expect((await currentRules(demo)).cooling).toMatchObject({
      id: 'cooling-food-service@2',
      version: 2,
      source: 'validated in our cooler',
    });
    expect((await open())[0]!.case.rules.cooling.id).toBe(running);
    expect(await chooseRule(demo, 'no-such-rule', 'Maud')).toBe(false);
    expect(
      await editRule(
        demo,
        { ruleId: 'dose-ca@1', title: 'Mixed', source: 'of another kind', body },
        'Maud',
      ),
    ).toBe(false);
  });

  test('names are taken once; versions are counted', async () => {
    const first = (await latestVersions(demo)).find((v) => v.number === 1);
    const taken = { ...DEMO_RECIPES[1]!, name: first!.content.name };
    expect(await saveRecipe(demo, { basedOn: 0, reason: 'copy', content: taken }, 'Tomas')).toEqual(
      { ok: false, code: 'name_taken' },
    );
    expect(
      await saveRecipe(
        demo,
        { recipeId: randomUUID(), basedOn: 1, reason: 'lost', content: { ...taken, name: 'New' } },
        'Tomas',
      ),
    ).toEqual({ ok: false, code: 'no_such_recipe' });
    expect(
      await saveRecipe(
        demo,
        {
          recipeId: first!.recipeId,
          basedOn: 1,
          reason: 'saltier',
          content: { ...first!.content, totalSaltFraction: 0.02 },
        },
        'Tomas',
      ),
    ).toMatchObject({ ok: true });
    expect((await versionsOf(demo, first!.recipeId)).map((v) => v.number)).toEqual([2, 1]);
  });
});
