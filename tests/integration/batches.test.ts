import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { Person } from '@/features/accounts/identify';
import { loadDossier } from '@/features/logbook/case';
import type { PostedBody } from '@/features/logbook/contract';
import { postEntry, startBatch } from '@/features/batches/service';
import { signBatch } from '@/features/batches/sign';
import { importLogger } from '@/features/readings/import';
import { saveRecipe } from '@/features/recipes/service';
import { chooseRule, editRule } from '@/features/settings/service';
import { verifyIn, verifyLogbook } from '@/features/records/verify';
import { recordCsv, recordJson } from '@/features/records/export';
import { hashOf } from '@/platform/hash';
import { DEMO_RECIPES } from '../../scripts/demo/recipes';
import { person } from '../support/people';
import { freshDatabase, type TestDb } from '../support/database';
import { weigh } from '../support/weigh';

jest.mock('@/features/accounts/identify', () => ({}));

const ann = person('ann', 'operator');
const bob = person('bob', 'formulator');
const lead = person('lead', 'release_lead');
const HOUR = 3600;
const nowS = () => Date.now() / 1000;

let t: TestDb;
beforeAll(async () => {
  t = await freshDatabase();
});
afterAll(() => t.drop());

const iso = (s: number) => new Date(s * 1000).toISOString();
async function begin(startS = nowS() - 40 * HOUR): Promise<{ id: string; startS: number }> {
  const id = randomUUID();
  const input = {
    id,
    recipeVersionId: t.versionId,
    meatG: 20_000,
    readyBy: iso(nowS() + HOUR),
    startedAt: iso(startS),
  };
  expect(await startBatch(t.db, ann, input)).toMatchObject({ ok: true });
  return { id, startS };
}
const post = (who: Person, batchId: string, atS: number, body: PostedBody, extra: object = {}) =>
  postEntry(t.db, who, batchId, {
    id: randomUUID(),
    happenedAt: iso(atS),
    body,
    corrects: null,
    confirmed: false,
    enteredIn: 'metric',
    ...extra,
  });
async function weighAll(id: string, startS: number, cureG = 43.2): Promise<void> {
  await post(ann, id, startS + 60, weigh('shoulder', 17_000));
  await post(ann, id, startS + 120, weigh('jowl', 3_000));
  const cure = randomUUID();
  await post(ann, id, startS + 180, weigh('cure', cureG), { id: cure });
  await post(bob, id, startS + 240, { kind: 'cure_checked', weighedId: cure, readingG: cureG });
}

/** A logger's file of a good run: up to 69 °C in four hours, then down. */
function goodFile(fromS: number): Uint8Array {
  const rows = ['Time,Core (°C),Air (°C)'];
  for (let min = 0; min <= 600; min += 5) {
    const h = min / 60;
    const core = h < 4 ? 4 + (65 * h) / 4 : Math.max(2, 69 - (h - 4) * 45);
    rows.push(`${iso(fromS + min * 60)},${core.toFixed(2)},${h < 4 ? 70 : 2}`);
  }
  return new TextEncoder().encode(rows.join('\n'));
}

async function finished(): Promise<{ id: string; startS: number }> {
  const b = await begin();
  await weighAll(b.id, b.startS);
  const at = (h: number, body: PostedBody) => post(ann, b.id, b.startS + h * HOUR, body);
  await at(1, { kind: 'cure_hold_started', coolerC: 2 });
  await at(14, { kind: 'cure_hold_ended', coolerC: 3 });
  await at(15, { kind: 'step_done', step: 'stuff' });
  await at(16, { kind: 'run_started', houseId: 'house' });
  await at(20, { kind: 'pulled' });
  await at(20, { kind: 'chill_started', medium: 'ice_bath' });
  await at(25, { kind: 'step_done', step: 'bloom' });
  await at(26, { kind: 'step_done', step: 'pack' });
  const columns = [
    { name: 'Core (°C)', what: 'core' as const, thickest: true },
    { name: 'Air (°C)', what: 'air' as const, thickest: false },
  ];
  const file = { name: 'run.csv', bytes: goodFile(b.startS + 16 * HOUR) };
  const done = await importLogger(
    t.db,
    ann,
    b.id,
    file,
    { timeZone: 'America/Chicago' },
    columns,
    nowS(),
  );
  expect(done).toMatchObject({ ok: true, added: 242 });
  expect(
    await importLogger(t.db, ann, b.id, file, { timeZone: 'America/Chicago' }, columns, nowS()),
  ).toMatchObject({ ok: true, added: 0, known: 242 });
  return b;
}

test('posting the same entry twice changes nothing; another entry under its id is refused', async () => {
  const { id, startS } = await begin();
  const entryId = randomUUID();
  expect(
    await post(ann, id, startS + 60, weigh('shoulder', 17_000), { id: entryId }),
  ).toMatchObject({ ok: true, known: false });
  expect(
    await post(ann, id, startS + 60, weigh('shoulder', 17_000), { id: entryId }),
  ).toMatchObject({ ok: true, known: true });
  expect(await post(ann, id, startS + 60, weigh('shoulder', 1), { id: entryId })).toEqual({
    ok: false,
    code: 'id_taken',
  });
  expect((await loadDossier(t.db, id, nowS()))!.entries).toHaveLength(2);
});

test('two tabs weighing the same line at once: one counts', async () => {
  const { id, startS } = await begin();
  const both = await Promise.all(
    [1, 2].map((n) => post(ann, id, startS + n, weigh('shoulder', 17_000 + n))),
  );
  expect(both.map((r) => r.ok).sort()).toEqual([false, true]);
  expect(both.find((r) => !r.ok)).toMatchObject({ code: 'already_weighed' });
});

test('a dose over the limit puts the batch on hold at once, and only a release lead decides', async () => {
  const { id, startS } = await begin();
  await post(ann, id, startS + 60, weigh('shoulder', 17_000));
  await post(ann, id, startS + 120, weigh('jowl', 3_000));
  expect(await post(ann, id, startS + 180, weigh('cure', 60))).toMatchObject({
    ok: true,
    holds: ['dose'],
  });
  const state = (await loadDossier(t.db, id, nowS()))!.case.state;
  expect(state.holds).toMatchObject([{ check: 'dose', open: true, source: 'rule' }]);
  const decision: PostedBody = {
    kind: 'disposed',
    disposition: 'destroy',
    reason: 'over-dosed',
    checks: ['dose'],
  };
  expect(await post(ann, id, nowS(), decision)).toEqual({ ok: false, code: 'not_allowed' });
  expect(await post(ann, id, nowS(), { kind: 'run_started', houseId: 'house' })).toEqual({
    ok: false,
    code: 'on_hold',
  });
  expect(await post(lead, id, nowS(), decision)).toMatchObject({ ok: true });
  expect((await loadDossier(t.db, id, nowS()))!.head.closedS).not.toBeNull();
});

test('the same person’s second look is recorded as alone', async () => {
  const { id, startS } = await begin();
  await post(ann, id, startS + 60, weigh('shoulder', 17_000));
  await post(ann, id, startS + 120, weigh('jowl', 3_000));
  const cure = randomUUID();
  await post(ann, id, startS + 180, weigh('cure', 43.2), { id: cure });
  await post(ann, id, startS + 240, { kind: 'cure_checked', weighedId: cure, readingG: 43.2 });
  expect((await loadDossier(t.db, id, nowS()))!.case.state.cureCheck).toMatchObject({
    method: 'reentered_alone',
    matches: true,
  });
});

test.each<[string, PostedBody, object, string]>([
  [
    '165 °C asked back',
    { kind: 'reading_logged', what: 'core', tempC: 165, thickest: true },
    {},
    'odd_temperature',
  ],
  [
    '300 °C refused',
    { kind: 'reading_logged', what: 'core', tempC: 300, thickest: true },
    { confirmed: true },
    'impossible_temperature',
  ],
])('%s', async (_, body, extra, code) => {
  const { id, startS } = await begin();
  expect(await post(ann, id, startS + 60, body, extra)).toMatchObject({ ok: false, code });
});

test.each([
  ['the future', 1e6, 'in_future'],
  ['before the batch', -41 * HOUR, 'before_batch'],
])('a time in %s is refused', async (_, shift, code) => {
  const { id } = await begin();
  expect(await post(ann, id, nowS() + shift, { kind: 'noted', text: 'hello' })).toEqual({
    ok: false,
    code,
  });
});

test('a core probe sits in one batch at a time', async () => {
  const [first, second] = [await begin(), await begin()];
  const channel = await t.db
    .selectFrom('channel')
    .select('id')
    .where('key', '=', 'core-1')
    .executeTakeFirstOrThrow();
  const place: PostedBody = {
    kind: 'probe_placed',
    channelId: channel.id,
    what: 'core',
    thickest: true,
  };
  expect(await post(ann, first.id, nowS(), place)).toMatchObject({ ok: true });
  expect(await post(ann, second.id, nowS(), place)).toEqual({
    ok: false,
    code: 'probe_in_other_batch',
  });
  expect(await post(ann, second.id, nowS(), { ...place, channelId: 9999 })).toEqual({
    ok: false,
    code: 'unknown_channel',
  });
  await post(ann, first.id, nowS(), {
    kind: 'probe_removed',
    channelId: channel.id,
    reason: 'moved',
  });
  expect(await post(ann, second.id, nowS(), place)).toMatchObject({ ok: true });
  await post(ann, second.id, nowS(), {
    kind: 'probe_removed',
    channelId: channel.id,
    reason: 'moved',
  });
});

test('a reader changes nothing, and a ready-by in the past is refused', async () => {
  const { id, startS } = await begin();
  expect(
    await post(person('pia', 'reader'), id, startS + 1, { kind: 'noted', text: 'hello' }),
  ).toEqual({ ok: false, code: 'not_allowed' });
  const input = {
    id: randomUUID(),
    recipeVersionId: t.versionId,
    meatG: 1000,
    readyBy: iso(nowS() - 60),
    startedAt: iso(nowS()),
  };
  expect(await startBatch(t.db, ann, input)).toMatchObject({ ok: false, code: 'ready_by_past' });
});

describe('a whole batch', () => {
  let id = '';
  let startS = 0;
  beforeAll(async () => {
    ({ id, startS } = await finished());
  });

  test('passes, is signed, and is closed to all but corrections and notes', async () => {
    expect((await loadDossier(t.db, id, nowS()))!.verdict.overall).toBe('pass');
    expect(await signBatch(t.db, lead, id, randomUUID())).toMatchObject({ ok: true });
    expect(
      await post(ann, id, nowS(), {
        kind: 'reading_logged',
        what: 'core',
        tempC: 3,
        thickest: true,
      }),
    ).toEqual({ ok: false, code: 'batch_closed' });
    expect(await post(ann, id, nowS(), { kind: 'noted', text: 'handed over' })).toMatchObject({
      ok: true,
    });
  });

  test('the record goes out as JSON and CSV', async () => {
    const dossier = (await loadDossier(t.db, id, nowS()))!;
    const json = recordJson(dossier, 'Test');
    expect(json.readings[0]!.values).toHaveLength(121);
    expect(json.verdict.overall).toBe('pass');
    expect(
      recordCsv(dossier)
        .split('\r\n')
        .filter((l) => l.startsWith('reading')),
    ).toHaveLength(242);
  });

  test('new versions of recipe and rule leave it as it was', async () => {
    const version = await t.db
      .selectFrom('recipeVersion')
      .select(['recipeId', 'number'])
      .where('id', '=', t.versionId)
      .executeTakeFirstOrThrow();
    const content = { ...DEMO_RECIPES[0]!, totalSaltFraction: 0.02 };
    const save = () =>
      saveRecipe(
        t.db,
        { recipeId: version.recipeId, basedOn: version.number, reason: 'saltier', content },
        'bob',
      );
    expect(await save()).toMatchObject({ ok: true });
    expect(await save()).toMatchObject({
      ok: false,
      code: 'edited_meanwhile',
      newest: { number: 2, reason: 'saltier' },
    });
    await editRule(
      t.db,
      {
        ruleId: 'dose-us-comminuted@1',
        title: 'Stricter',
        source: 'our own validation 7',
        body: { kind: 'dose', basis: 'meat_block', minPpm: 120, maxPpm: 130 },
      },
      'lead',
    );
    const dossier = (await loadDossier(t.db, id, nowS()))!;
    await chooseRule(t.db, 'dose-us-comminuted@1', 'lead');
    expect(dossier.head.recipe.totalSaltFraction).toBe(0.018);
    expect(dossier.verdict.overall).toBe('pass');
  });

  test('a correction opens the verdict again', async () => {
    const dossier = (await loadDossier(t.db, id, nowS()))!;
    const lean = dossier.entries.find(
      (e) => e.body.kind === 'weighed' && e.body.lineId === 'shoulder',
    )!;
    const fix = await post(
      ann,
      id,
      nowS(),
      {
        kind: 'corrected',
        reason: 'misread the scale',
        replacement: { ...weigh('shoulder', 17_005), kind: 'weighed' } as never,
      },
      { corrects: lean.id },
    );
    expect(fix).toMatchObject({ ok: true });
    const after = (await loadDossier(t.db, id, nowS()))!;
    expect(after.case.state.signature!.stands).toBe(false);
    expect(after.head.closedS).toBeNull();
    expect(startS).toBeLessThan(nowS());
  });
});

describe('the logbook', () => {
  test.each(['entry', 'reading', 'recipe_version', 'rule'])(
    '%s rows are never changed or deleted',
    async (table) => {
      const column = {
        entry: 'by_name',
        reading: 'temp_c',
        recipe_version: 'reason',
        rule: 'title',
      }[table]!;
      await expect(
        sql`update ${sql.table(table)} set ${sql.ref(column)} = ${sql.ref(column)}`.execute(
          t.owner,
        ),
      ).rejects.toThrow(/append-only/);
      await expect(sql`delete from ${sql.table(table)}`.execute(t.owner)).rejects.toThrow(
        /append-only/,
      );
      await expect(sql`truncate ${sql.table(table)} cascade`.execute(t.owner)).rejects.toThrow(
        /append-only/,
      );
    },
  );

  /** Runs a tampering with the triggers off, looks, and rolls it back. */
  async function tampered(statement: ReturnType<typeof sql>): Promise<string[]> {
    let problems: string[] = [];
    const undo = new Error('undo');
    await t.owner
      .transaction()
      .execute(async (tx) => {
        await sql`set local session_replication_role = replica`.execute(tx);
        await statement.execute(tx);
        problems = (await verifyIn(tx)).problems;
        throw undo;
      })
      .catch((e) => {
        if (e !== undo) throw e;
      });
    return problems;
  }

  test('is found whole as it stands', async () =>
    expect((await verifyLogbook(t.db)).problems).toEqual([]));

  test.each<[string, ReturnType<typeof sql>, RegExp]>([
    [
      'a changed figure',
      sql`update entry set body = jsonb_set(body, '{amountG}', '42') where kind = 'weighed' and seq = 2`,
      /entry 2 says something else/,
    ],
    ['a changed author', sql`update entry set by_name = 'Eve' where seq = 3`, /entry 3/],
    [
      'a changed time',
      sql`update entry set happened_at = happened_at + interval '1 second' where seq = 3`,
      /entry 3/,
    ],
    ['a removed entry', sql`delete from entry where seq = 3`, /gone/],
    [
      'the last entry cut off',
      sql`delete from entry where seq = (select max(seq) from entry)`,
      /should end/,
    ],
    [
      'a changed recipe',
      sql`update recipe_version set content = jsonb_set(content, '{totalSaltFraction}', '0.5')`,
      /recipe version/,
    ],
    [
      'a changed limit',
      sql`update rule set body = jsonb_set(body, '{maxPpm}', '999') where kind = 'dose'`,
      /rule dose/,
    ],
  ])('%s is found', async (_, statement, words) =>
    expect((await tampered(statement)).join()).toMatch(words),
  );

  test('a limit changed with its own hash is found by the batches that pinned it', async () => {
    await begin();
    const body = { kind: 'dose', basis: 'meat_block', minPpm: 1, maxPpm: 999 };
    const problems = await tampered(
      sql`update rule set body = ${JSON.stringify(body)}::jsonb, sha256 = ${hashOf(body)} where id = 'dose-us-comminuted@1'`,
    );
    expect(problems.join()).toMatch(/no longer has the rule dose-us-comminuted@1/);
  });

  test('a changed reading of a signed batch is found', async () => {
    const { id } = await finished();
    expect(await signBatch(t.db, lead, id, randomUUID())).toMatchObject({ ok: true });
    const problems = await tampered(
      sql`update reading set temp_c = temp_c + 1 where channel_id in (select c.id from channel c where c.batch_id = ${id})`,
    );
    expect(problems.join()).toMatch(/readings of signed batch/);
  });
});
