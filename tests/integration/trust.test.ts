import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { JUDGEMENT, type Entry } from '@/core';
import { loadDossier, type Dossier } from '@/features/logbook/case';
import { loadOpen } from '@/features/logbook/open-batches';
import { probeChecked } from '@/features/batches/doubted-probe';
import { closedBatches } from '@/features/logbook/heads';
import { postEntry, startBatch } from '@/features/batches/service';
import type { PostedBody } from '@/features/logbook/contract';
import { storeReadings } from '@/features/readings/repository';
import { loadCalibrations } from '@/features/logbook/evidence';
import { verifyLogbook } from '@/features/records/verify';
import type { Db } from '@/platform/db/client';
import { breakEntries, demoDatabase } from '../support/database';
import { weigh } from '../support/weigh';

jest.mock('@/features/accounts/identify', () => ({}));

const nowS = () => Date.now() / 1000;
const HOUR = 3600;
const ines = { id: 'ines', name: 'Ines Quill', role: 'operator' as const, email: 'i@x.example' };

let demo: Db;
let owner: Db;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ demo, owner, drop } = await demoDatabase());
});
afterAll(() => drop());

const post = (
  batchId: string,
  body: PostedBody,
  more: { corrects?: string; confirmed?: boolean; id?: string } = {},
) =>
  postEntry(demo, ines, batchId, {
    id: more.id ?? randomUUID(),
    happenedAt: new Date(nowS() * 1000).toISOString(),
    body,
    corrects: more.corrects ?? null,
    confirmed: more.confirmed ?? false,
    enteredIn: 'metric',
  });
const dossier = async (id: string) => (await loadDossier(demo, id, nowS()))!;

/** A batch of the recipe of the first open one, begun an hour ago. */
async function begin(practice = false): Promise<{ id: string; meat: string[] }> {
  const { dossiers } = await loadOpen(demo, nowS());
  const from = dossiers.find((d) => d.head.recipe.name.startsWith('Caraway'))!;
  const id = randomUUID();
  const started = await startBatch(demo, ines, {
    id,
    recipeVersionId: from.head.recipeVersionId,
    meatG: 20_000,
    startedAt: new Date((nowS() - HOUR) * 1000).toISOString(),
    readyBy: new Date((nowS() + 60 * HOUR) * 1000).toISOString(),
    ...(practice ? { practice } : {}),
  });
  expect(started).toMatchObject({ ok: true });
  return { id, meat: from.head.recipe.meat.map((m) => m.id) };
}
async function weighMeat({ id, meat }: { id: string; meat: string[] }): Promise<void> {
  for (const line of meat) await post(id, weigh(line, 20_000 / meat.length));
}

/** In a house with a probe in its core. */
const withCores = (d: Dossier) =>
  d.case.state.phase === 'in_house' && d.case.state.probes.some((p) => p.what === 'core');

test('signatures say which judgement gave them; one of an earlier judgement is no tampering', async () => {
  const [signed] = await closedBatches(demo, '', 10);
  const entry = (await dossier(signed!.id)).entries.find((e) => e.body.kind === 'signed')!;
  expect(entry.body).toMatchObject({ judgement: JUDGEMENT });
  expect(await verifyLogbook(demo)).toMatchObject({ problems: [], notes: [] });
});

test('a hold that came from a slip is lifted with the correction, and says so', async () => {
  const batch = await begin();
  await weighMeat(batch);
  const slip = randomUUID();
  expect(await post(batch.id, weigh('cure', 430), { id: slip })).toMatchObject({
    ok: true,
    holds: ['dose'],
  });
  expect((await dossier(batch.id)).case.state.holds.filter((h) => h.open)).toHaveLength(1);
  const fix: PostedBody = {
    kind: 'corrected',
    reason: 'a zero too many',
    replacement: weigh('cure', 43) as never,
  };
  expect(await post(batch.id, fix, { corrects: slip })).toMatchObject({ ok: true, holds: [] });
  const d = await dossier(batch.id);
  expect(d.case.state.holds.filter((h) => h.open)).toEqual([]);
  expect(d.entries.map((e) => e.body.kind)).toContain('hold_lifted');
});

test('a core by hand that is unlike every probe is asked back, with what they show', async () => {
  const { dossiers } = await loadOpen(demo, nowS());
  const d = dossiers.find(withCores)!;
  const low: PostedBody = { kind: 'reading_logged', what: 'core', tempC: 5, thickest: true };
  const asked = await post(d.head.id, low);
  expect(asked).toMatchObject({ ok: false, code: 'odd_temperature' });
  expect((asked as { besideC: number }).besideC).toBeGreaterThan(40);
});

describe('stock', () => {
  const balanceOf = async (lotId: string) => {
    const row = await sql<{ g: number }>`
      select amount_g + coalesce((select sum(change_g) from lot_move where lot_id = ${lotId}::uuid), 0) as g
      from lot where id = ${lotId}::uuid`.execute(demo);
    return Number(row.rows[0]!.g);
  };
  const cureLot = async () =>
    (
      await sql<{ id: string }>`
        select l.id from lot l join ingredient i on i.id = l.ingredient_id
        where i.kind = 'cure' and l.nitrite_fraction = 0.0625 order by l.received_at limit 1`.execute(
        demo,
      )
    ).rows[0]!.id;

  test('a line that is weighed again leaves the store once', async () => {
    const batch = await begin();
    await weighMeat(batch);
    const lotId = await cureLot();
    const before = await balanceOf(lotId);
    const first = randomUUID();
    expect(await post(batch.id, weigh('cure', 43, { lotId }), { id: first })).toMatchObject({
      ok: true,
    });
    await post(batch.id, { kind: 'cure_checked', weighedId: first, readingG: 44 });
    expect(await post(batch.id, weigh('cure', 43.1, { lotId }))).toMatchObject({ ok: true });
    expect(await balanceOf(lotId)).toBeCloseTo(before - 43.1, 6);
  });

  test('practice leaves it alone', async () => {
    const batch = await begin(true);
    await weighMeat(batch);
    const lotId = await cureLot();
    const before = await balanceOf(lotId);
    expect(await post(batch.id, weigh('cure', 43, { lotId }))).toMatchObject({ ok: true });
    expect(await balanceOf(lotId)).toBeCloseTo(before, 6);
  });
});

test('a probe found wrong after the cook opens the signed batches that rested on it', async () => {
  const closed = await closedBatches(demo, '', 10);
  const d = await dossier(closed[0]!.id);
  expect(d.case.state.signature!.stands).toBe(true);
  const core = d.case.state.probes.find((p) => p.what === 'core' && p.thickest)!;
  const input = { channelId: core.channelId, iceC: 4, altitudeM: 180 };
  const check = () =>
    probeChecked(demo, { id: core.channelId, name: 'Core 1' }, input, 'Ines', nowS());
  const checks = async () => (await loadCalibrations(demo, [core.channelId]))[core.channelId] ?? [];
  /* Where a batch cannot be opened, the check is not in the record either: it is told again. */
  const known = await checks();
  const mend = await breakEntries(owner, 'held');
  await expect(check()).rejects.toThrow('broken on purpose');
  expect(await checks()).toEqual(known);
  await mend();
  const { opened, ...found } = await check();
  expect(found).toMatchObject({ ok: false, offsetC: 4 });
  expect((await checks()).at(-1)).toMatchObject({ ok: false });
  expect(opened).toContain(d.head.code);
  const now = await dossier(d.head.id);
  expect(now.case.state.signature!.stands).toBe(false);
  expect(now.case.state.holds.at(-1)).toMatchObject({ open: true, check: 'probe_evidence' });
  expect(now.verdict.overall).toBe('missing');
  expect((await verifyLogbook(demo)).problems).toEqual([]);
});

test('a batch that cannot be judged is shown as such and hides no other', async () => {
  const { dossiers } = await loadOpen(demo, nowS());
  const d = dossiers.find(withCores)!;
  const [channel] = d.case.state.probes.filter((p) => p.what === 'core');
  await storeReadings(demo, [
    { channelId: channel!.channelId, atMs: (nowS() - 3) * 1000, tempC: Number.NaN },
  ]);
  const after = await loadOpen(demo, nowS());
  const hit = dossiers.filter((x) =>
    x.case.state.probes.some((p) => p.channelId === channel!.channelId && p.toS === null),
  );
  expect(after.unjudged.map((u) => u.head.code)).toContain(d.head.code);
  expect(after.dossiers.length).toBeGreaterThanOrEqual(dossiers.length - hit.length);
  expect(after.dossiers.length).toBeGreaterThan(0);
});

test('entries of the new kinds are read back as they were written', async () => {
  const { dossiers } = await loadOpen(demo, nowS());
  const kinds = new Set(dossiers.flatMap((d) => d.entries.map((e: Entry) => e.body.kind)));
  expect(kinds.has('hold_lifted')).toBe(true);
});
