import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { findPerson, listPeople } from '@/features/accounts/repository';
import {
  addPerson,
  changePassword,
  changePerson,
  passwordIs,
  resetPassword,
} from '@/features/accounts/service';
import { changeStream, tooManyStreams } from '@/features/accounts/streams';
import { personChangeSchema, personSchema } from '@/features/accounts/contract';
import { saveProgram } from '@/features/programs/service';
import { saveRecipe, recipesNaming } from '@/features/recipes/service';
import { firstVisit } from '@/features/settings/first-visit';
import { saveIngredient } from '@/features/stores/service';
import { makeAuth } from '@/platform/auth';
import { isOpenRoute } from '@/platform/auth-gate';
import { makePool } from '@/platform/db/client';
import type { Change } from '@/platform/events';
import { Limits } from '@/platform/limits';
import type { Role } from '@/platform/roles';
import { DEMO_RECIPES } from '../../scripts/demo/recipes';
import { freshDatabase, type TestDb } from '../support/database';

jest.mock('@/features/accounts/identify', () => ({}));

let t: TestDb;
beforeAll(async () => {
  t = await freshDatabase();
});
afterAll(() => t.drop());

const PASSWORD = 'three-odd-lanterns';
const NEXT = 'seven-blue-hammers';

async function add(name: string, role: Role): Promise<string> {
  const added = await addPerson(t.db, {
    name,
    email: `${name.toLowerCase()}@doors.example`,
    password: PASSWORD,
    role,
  });
  if (!added.ok) throw new Error(added.code);
  return added.data.id;
}
const openSession = (userId: string, token: string) =>
  sql`insert into "session" ("id", "expiresAt", "token", "userId")
      values (${token}, now() + interval '1 day', ${token}, ${userId})`.execute(t.db);
const sessionsOf = async (userId: string) =>
  (
    await sql<{ token: string }>`select token from "session" where "userId" = ${userId}`.execute(
      t.db,
    )
  ).rows.map((r) => r.token);

test('of the account library only what the product uses is open, whatever an upgrade brings', () => {
  const pool = makePool(t.url, 1);
  const endpoints = Object.values(makeAuth(pool, 'x'.repeat(40)).api) as {
    path?: string;
    options?: { method?: string | string[] };
  }[];
  const routes = endpoints.flatMap((e) =>
    [e.options?.method ?? 'GET'].flat().map((m) => `${m} ${e.path}`),
  );
  expect(routes.length).toBeGreaterThan(30);
  for (const closed of [
    'POST /admin/impersonate-user',
    'POST /admin/set-role',
    'POST /update-user',
    'POST /change-password',
    'POST /verify-password',
    'POST /sign-up/email',
  ])
    expect(routes).toContain(closed);
  const open = routes.filter((r) => {
    const [method, path] = r.split(' ') as [string, string];
    return isOpenRoute(method, path);
  });
  expect(open.sort()).toEqual(['POST /sign-in/email', 'POST /sign-out']);
  return pool.end();
});

test.each([
  ['POST', '/sign-in/email', true],
  ['post', '/sign-in/email/', true],
  ['GET', '/sign-in/email', false],
  ['POST', '/sign-in/email/../../admin/set-role', false],
  ['POST', '//sign-in/email', false],
  ['POST', '/SIGN-IN/EMAIL', false],
])('%s %s is open: %s', (method, path, open) => expect(isOpenRoute(method, path)).toBe(open));

describe('people', () => {
  test('two leads who switch each other off at once leave one', async () => {
    const [a, b] = [await add('Lea', 'release_lead'), await add('Leo', 'release_lead')];
    const off = (id: string, name: string) =>
      changePerson(t.db, { id, name, role: 'release_lead', banned: true });
    const answers = await Promise.all([off(a, 'Lea'), off(b, 'Leo')]);
    expect(answers.filter((x) => x.ok)).toHaveLength(1);
    expect(answers.find((x) => !x.ok)).toMatchObject({ code: 'last_lead' });
    const people = await listPeople(t.db);
    expect(people.filter((p) => p.role === 'release_lead' && !p.banned)).toHaveLength(1);
    for (const [id, name] of [
      [a, 'Lea'],
      [b, 'Leo'],
    ] as const)
      await changePerson(t.db, { id, name, role: 'release_lead', banned: false });
  });

  test('who is switched off is out with every session', async () => {
    const id = await add('Otto', 'operator');
    await openSession(id, 'otto-1');
    await openSession(id, 'otto-2');
    expect(await changePerson(t.db, { id, name: 'Otto', role: 'operator', banned: true })).toEqual({
      ok: true,
      data: undefined,
    });
    expect(await sessionsOf(id)).toEqual([]);
  });

  test('a reset gives a password for one sign-in; one’s own ends the other sessions', async () => {
    const id = await add('Rita', 'operator');
    await openSession(id, 'rita-1');
    const reset = await resetPassword(t.db, id);
    if (!reset.ok) throw new Error(reset.code);
    const { password } = reset.data;
    expect(password).toMatch(/^[a-z2-9]{4}(-[a-z2-9]{4}){2}$/);
    expect(await sessionsOf(id)).toEqual([]);
    expect(await passwordIs(t.db, id, PASSWORD)).toBe(false);
    expect(await passwordIs(t.db, id, password)).toBe(true);
    expect((await findPerson(t.db, id))!.mustChangePassword).toBe(true);
    await openSession(id, 'rita-2');
    await openSession(id, 'rita-3');
    const change = (current: string, next: string) =>
      changePassword(t.db, id, { current, next }, 'rita-3');
    expect(await change('not it', NEXT)).toMatchObject({ ok: false, code: 'wrong_password' });
    expect(await change(password, password)).toMatchObject({ code: 'weak_password' });
    expect(await change(password, 'rita-rita-1')).toMatchObject({ code: 'weak_password' });
    expect(await change(password, NEXT)).toMatchObject({ ok: true });
    expect(await sessionsOf(id)).toEqual(['rita-3']);
    expect((await findPerson(t.db, id))!.mustChangePassword).toBe(false);
  });

  test.each(['password123', '1234567890', 'qwertyuiop', 'aaaaaaaaaaaa', 'iloveyou12'])(
    'a password that anybody would try is refused: %s',
    async (password) =>
      expect(
        await addPerson(t.db, {
          name: 'Weak',
          email: 'weak@doors.example',
          password,
          role: 'reader',
        }),
      ).toMatchObject({ ok: false, code: 'weak_password' }),
  );

  test('an e-mail has one account, whatever its case', async () => {
    await add('Nora', 'reader');
    const again = {
      name: 'N',
      email: 'NORA@doors.example',
      password: PASSWORD,
      role: 'reader',
    } as const;
    expect(await addPerson(t.db, again)).toMatchObject({ code: 'email_taken' });
    expect(await resetPassword(t.db, 'nobody')).toMatchObject({ code: 'no_such_person' });
  });

  test.each([
    ['empty', '  '],
    ['900 kB', 'a'.repeat(900_000)],
    ['an object', { $ne: '' }],
    ['a line that turns around', 'Maud\u202eevil'],
    ['a NUL', 'Ma\0ud'],
    ['two lines', 'Maud\nLead'],
  ])('a name is a name, not %s', (_, name) => {
    expect(personSchema.shape.name.safeParse(name).success).toBe(false);
    expect(
      personChangeSchema.safeParse({ id: 'x', name, role: 'reader', banned: false }).success,
    ).toBe(false);
  });

  test('names of everywhere are names', () => {
    for (const name of ['Þóra Ægisdóttir', 'O’Brien, Séan', '山田 太郎', 'Ana María (spare)'])
      expect(personSchema.shape.name.parse(name)).toBe(name);
  });
});

describe('limits', () => {
  const fresh = () => {
    const pool = makePool(t.url, 4);
    return { limits: new Limits(pool), end: () => pool.end() };
  };

  test('are shared by all processes, wait longer each time, and are forgotten for who gets it right', async () => {
    const [one, two] = [fresh(), fresh()];
    const tries = async (who: string, n: number) => {
      const out = [];
      for (let i = 0; i < n; i += 1)
        out.push(await (i % 2 ? one : two).limits.take('account', who));
      return out;
    };
    const first = await tries('Ann@doors.example', 9);
    expect(first.slice(0, 8).every((x) => x.ok)).toBe(true);
    expect(first[8]).toEqual({ ok: false, waitS: 30 });
    expect(await one.limits.take('account', 'ann@DOORS.example')).toMatchObject({ ok: false });
    expect(await one.limits.take('account', 'bob@doors.example')).toEqual({ ok: true });
    await one.limits.forget('account', 'ann@doors.example');
    await sql`insert into limit_state (key, points, expire)
      values ('account:old', 1, ${Date.now() - 2 * 3600_000})`.execute(t.db);
    expect((await tries('ann@doors.example', 9))[8]).toEqual({ ok: false, waitS: 60 });
    const { rows } = await sql`select 1 from limit_state where key = 'account:old'`.execute(t.db);
    expect(rows).toEqual([]);
    await Promise.all([one.end(), two.end()]);
  });
});

describe('the first visit', () => {
  const input = {
    code: 'KETTLE-22',
    siteName: 'Quiet',
    timeZone: 'America/Denver',
    unitSystem: 'metric' as const,
    name: 'Ada',
    email: 'ada@doors.example',
    password: PASSWORD,
  };
  let own: TestDb;
  beforeAll(async () => {
    own = await freshDatabase();
    process.env.DATABASE_URL = own.url;
  });
  afterAll(() => own.drop());

  test('needs the code, happens once though many ask at once, and all or nothing', async () => {
    process.env.JOLLY_SETUP_CODE = 'kettle-22';
    expect(await firstVisit(own.db, { ...input, code: 'KETTLE-23' }, '10.0.0.1')).toMatchObject({
      code: 'wrong_code',
    });
    expect(
      await firstVisit(own.db, { ...input, password: '1234567890' }, '10.0.0.1'),
    ).toMatchObject({
      code: 'weak_password',
    });
    expect(await listPeople(own.db)).toEqual([]);
    const answers = await Promise.all(
      Array.from({ length: 6 }, (_, i) =>
        firstVisit(own.db, { ...input, email: `ada${i}@doors.example` }, '10.0.0.2'),
      ),
    );
    expect(answers.filter((a) => a.ok)).toHaveLength(1);
    expect(await listPeople(own.db)).toHaveLength(1);
    expect(await firstVisit(own.db, input, '10.0.0.3')).toMatchObject({ code: 'not_allowed' });
    delete process.env.JOLLY_SETUP_CODE;
  });
});

describe('streams', () => {
  const listen = (personId: string, stillIn: () => Promise<boolean>) => {
    const listeners = new Set<(c: Change) => void>();
    const gone = new AbortController();
    const stream = changeStream({
      personId,
      build: 'build-7',
      subscribe: (l) => (listeners.add(l), () => void listeners.delete(l)),
      stillIn,
      signal: gone.signal,
      beatMs: 3_600_000,
    });
    const tell = (change: Change) => listeners.forEach((l) => l(change));
    return { text: new Response(stream).text(), tell, gone, listeners };
  };

  test('end at once with the session, and tell of others’ changes until then', async () => {
    let still = true;
    const s = listen('p1', async () => still);
    s.tell({ topic: 'batch', id: 'b' });
    s.tell({ topic: 'person', id: 'p2' });
    still = false;
    s.tell({ topic: 'person', id: 'p1' });
    const text = await s.text;
    expect(text).toContain('event: build\ndata: build-7\n');
    expect(text).toContain('"topic":"batch"');
    expect(text).not.toContain('p2');
    expect(text).toContain('event: signed_out');
    expect(s.listeners.size).toBe(0);
  });

  test('are so many per person and no more, and make room when a browser leaves', async () => {
    const all = Array.from({ length: 12 }, () => listen('p3', async () => true));
    expect(tooManyStreams('p3')).toBe(true);
    expect(tooManyStreams('p4')).toBe(false);
    all[0]!.gone.abort();
    await all[0]!.text;
    expect(tooManyStreams('p3')).toBe(false);
    all.forEach((s) => s.gone.abort());
    await Promise.all(all.map((s) => s.text));
  });
});

describe('two who save the same name at once', () => {
  const answers = async (ask: () => Promise<{ ok: boolean; code?: string }>) =>
    (await Promise.all([ask(), ask(), ask(), ask()])).map((a) => (a.ok ? 'saved' : a.code)).sort();

  test('a recipe', async () => {
    const content = { ...DEMO_RECIPES[0]!, name: 'Raced' };
    const save = () => saveRecipe(t.db, { basedOn: 0, reason: 'first', content }, 'Ann');
    expect(await answers(save)).toEqual(['name_taken', 'name_taken', 'name_taken', 'saved']);
  });

  test('a program', async () => {
    const stages = DEMO_RECIPES[0]!.program;
    const save = () =>
      saveProgram(t.db, { name: 'Raced', basedOn: 0, reason: 'first', stages }, 'Ann');
    expect(await answers(save)).toEqual(['name_taken', 'name_taken', 'name_taken', 'saved']);
  });

  test('an ingredient', async () => {
    const save = () =>
      saveIngredient(
        t.db,
        { id: randomUUID(), name: 'Raced', kind: 'addition', facts: {} },
        recipesNaming,
      );
    expect(await answers(save)).toEqual([
      'ingredient_taken',
      'ingredient_taken',
      'ingredient_taken',
      'saved',
    ]);
  });
});
