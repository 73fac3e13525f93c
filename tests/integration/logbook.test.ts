import { randomUUID } from 'node:crypto';
import { postEntries, postEntry, startBatch } from '@/features/batches/service';
import {
  postedEntrySchema,
  postedOffersSchema,
  type PostedBody,
} from '@/features/logbook/contract';
import {
  append,
  appendSeen,
  findBatch,
  inLogbook,
  inPart,
  loadEntries,
  seeDossier,
  SYSTEM,
  type Guard,
  type NewEntry,
} from '@/features/logbook/service';
import { storeReadings } from '@/features/readings/repository';
import { houseChannels, recordCalibration } from '@/features/readings/service';
import { freshDatabase, type TestDb } from '../support/database';
import { person } from '../support/people';

jest.mock('@/features/accounts/identify', () => ({}));

const ann = person('ann', 'operator');
const nowS = () => Date.now() / 1000;
const iso = (s: number) => new Date(s * 1000).toISOString();

let t: TestDb;
beforeAll(async () => {
  t = await freshDatabase();
});
afterAll(() => t.drop());

async function begin(): Promise<string> {
  const id = randomUUID();
  const times = { readyBy: iso(nowS() + 86_400), startedAt: iso(nowS() - 3600) };
  const input = { id, recipeVersionId: t.versionId, meatG: 20_000, ...times };
  expect(await startBatch(t.db, ann, input)).toMatchObject({ ok: true });
  return id;
}
const posted = (body: PostedBody, id: string = randomUUID(), atS = nowS() - 60) =>
  postedEntrySchema.parse({ id, happenedAt: iso(atS), body });
const noted = (text: string): NewEntry => ({
  id: randomUUID(),
  happenedS: nowS() - 60,
  by: SYSTEM,
  corrects: null,
  body: { kind: 'noted', text },
});
const texts = async (ref: string) =>
  (await loadEntries(t.db, ref)).flatMap((e) => (e.body.kind === 'noted' ? [e.body.text] : []));
const started: PostedBody = { kind: 'run_started', houseId: 'house' };

describe('several batches in one go', () => {
  test('a load is taken whole, and sent twice it counts once', async () => {
    const [a, b] = [await begin(), await begin()];
    const offers = [a, b].map((batchId) => ({ batchId, entry: posted(started) }));
    expect(await postEntries(t.db, ann, offers)).toMatchObject({ ok: true, known: false });
    expect(await postEntries(t.db, ann, offers)).toMatchObject({ ok: true, known: true });
    for (const ref of [a, b])
      expect((await loadEntries(t.db, ref)).map((e) => e.body.kind)).toEqual([
        'batch_started',
        'run_started',
        /* Hung without its cure: what follows is recorded with it. */
        'held',
      ]);
  });

  test('where one does not take it none does, and the answer says which', async () => {
    const [a, b] = [await begin(), await begin()];
    await postEntry(t.db, ann, b, posted(started));
    const offers = [a, b].map((batchId) => ({ batchId, entry: posted(started) }));
    const { code } = (await findBatch(t.db, b))!;
    expect(await postEntries(t.db, ann, offers)).toEqual({
      ok: false,
      code: 'on_hold',
      batch: code,
    });
    expect(await loadEntries(t.db, a)).toHaveLength(1);
  });

  test('of work in parts only the part that is not taken is undone, and says why', async () => {
    const [a, b] = [await begin(), await begin()];
    const known = noted('known');
    const how = { nowS: nowS() };
    const put = (ref: string, entries: NewEntry[]) =>
      inLogbook(t.db, async (tx) => {
        const own = noted('before it');
        await append(tx, [{ ref: a, entry: own }], how);
        const part = await inPart(tx, () =>
          append(
            tx,
            entries.map((entry) => ({ ref, entry })),
            how,
          ),
        );
        await append(tx, [{ ref: a, entry: noted('after it') }], how);
        return part;
      });
    expect(await put(b, [known])).toMatchObject({ known: false });
    const other = { ...known, body: { kind: 'noted' as const, text: 'another' } };
    expect(await put(b, [noted('gone again'), other])).toMatchObject({ code: 'id_taken' });
    expect(await texts(b)).toEqual(['known']);
    expect(await texts(a)).toEqual(['before it', 'after it', 'before it', 'after it']);
    /* What fails otherwise undoes all of it. */
    const broken = inLogbook(t.db, (tx) =>
      append(tx, [{ ref: a, entry: noted('too much') }], how).then(() =>
        inPart(tx, () => Promise.reject(new Error('no disk'))),
      ),
    );
    await expect(broken).rejects.toThrow('no disk');
    expect(await texts(a)).toHaveLength(4);
  });

  test('an entry may rest on one before it in the same load', async () => {
    const a = await begin();
    const channels = await houseChannels(t.db, 'house');
    const core = channels.find((c) => c.what === 'core')!;
    const placed: PostedBody = {
      kind: 'probe_placed',
      channelId: core.id,
      what: 'core',
      thickest: true,
    };
    const b = await begin();
    const offers = [started, placed].map((body) => ({ batchId: a, entry: posted(body) }));
    expect(await postEntries(t.db, ann, offers)).toMatchObject({ ok: true });
    const twice = [a, b].map((batchId) => ({ batchId, entry: posted(placed) }));
    expect(await postEntries(t.db, ann, twice)).toMatchObject({ ok: false });
    expect(await loadEntries(t.db, b)).toHaveLength(1);
  });

  test.each([
    ['none', { offers: [] }],
    ['no list', {}],
    ['more than a house could hang', { offers: Array(201).fill({ batchId: randomUUID() }) }],
    [
      'a batch that is none',
      { offers: [{ batchId: 'b', entry: posted({ kind: 'noted', text: 'abc' }) }] },
    ],
  ])('%s is said to be no load', (_, input) => {
    expect(postedOffersSchema.safeParse(input).success).toBe(false);
  });

  test('who may not decide posts no decision, hidden among others', async () => {
    const a = await begin();
    const decision: PostedBody = {
      kind: 'disposed',
      disposition: 'destroy',
      reason: 'not mine to say',
      checks: [],
    };
    const offers = [posted({ kind: 'noted', text: 'harmless' }), posted(decision)];
    expect(
      await postEntries(
        t.db,
        ann,
        offers.map((entry) => ({ batchId: a, entry })),
      ),
    ).toEqual({ ok: false, code: 'not_allowed' });
    expect(await texts(a)).toEqual([]);
  });
});

describe('guards', () => {
  test('prepare one after the other, refuse before anything is written, and act with it', async () => {
    const ref = await begin();
    const told: string[] = [];
    const louder: Guard = {
      prepare: (_tx, { entry: { body } }) =>
        Promise.resolve(body.kind === 'noted' ? { ...body, text: `${body.text}!` } : body),
      refuse: (_tx, { entry: { body } }) =>
        Promise.resolve(
          body.kind === 'noted' && body.text.startsWith('bad') ? { ok: false, code: 'bad' } : null,
        ),
      effect: (_tx, { entry: { body } }) =>
        Promise.resolve(void (body.kind === 'noted' && told.push(body.text))),
    };
    const how = { guards: [louder, louder], nowS: nowS() };
    const take = (...all: string[]) =>
      inLogbook(t.db, (tx) =>
        append(
          tx,
          all.map((text) => ({ ref, entry: noted(text) })),
          how,
        ),
      );
    expect(await take('good')).toMatchObject({ known: false });
    expect(told).toEqual(['good!!', 'good!!']);
    expect(await take('also good', 'bad')).toMatchObject({ ok: false, code: 'bad' });
    expect(await texts(ref)).toEqual(['good!!']);
  });

  test('what was seen of a record that has grown since is not recorded', async () => {
    const ref = await begin();
    const head = (await findBatch(t.db, ref))!;
    const seen = { head, entries: await loadEntries(t.db, ref) };
    await appendSeen(t.db, seen, [noted('first')], nowS());
    await appendSeen(t.db, seen, [noted('second')], nowS());
    expect(await texts(ref)).toEqual(['first']);
  });
});

describe('a judged batch is kept', () => {
  const at = nowS();
  const see = async (ref: string, laterS = 0) =>
    seeDossier(t.db, (await findBatch(t.db, ref))!, at + laterS);
  async function measured(): Promise<{ ref: string; channelId: number }> {
    const ref = await begin();
    const offers = [started].map((body) => ({ batchId: ref, entry: posted(body) }));
    await postEntries(t.db, ann, offers);
    const air = (await houseChannels(t.db, 'house')).find((c) => c.what === 'air')!;
    await postEntry(
      t.db,
      ann,
      ref,
      posted({ kind: 'probe_placed', channelId: air.id, what: 'air', thickest: false }),
    );
    return { ref, channelId: air.id };
  }

  test('while nothing is recorded, read or checked, and the clock has hardly moved', async () => {
    const { ref } = await measured();
    const first = await see(ref);
    expect(await see(ref)).toBe(first);
    expect(await see(ref, 9)).toBe(first);
    expect(await see(ref, 11)).not.toBe(first);
  });

  test.each([
    [
      'an entry',
      (ref: string) => postEntry(t.db, ann, ref, posted({ kind: 'noted', text: 'new' })),
    ],
    [
      'a reading, even an old one',
      (_: string, channelId: number) =>
        storeReadings(t.db, [{ channelId, atMs: Math.round((at - 1800) * 1000), tempC: 60 }]),
    ],
    [
      'a check of its probe',
      (_: string, channelId: number) =>
        recordCalibration(t.db, { channelId, iceC: 0.4, altitudeM: 10 }, 'Ann', at - 30),
    ],
  ])('%s makes it be judged anew', async (_, happens) => {
    const { ref, channelId } = await measured();
    const first = await see(ref);
    await happens(ref, channelId);
    const second = await see(ref);
    expect(second).not.toBe(first);
    expect(await see(ref)).toBe(second);
  });

  test('within a transaction it is judged afresh, for what is written there may never have been', async () => {
    const { ref } = await measured();
    const first = await see(ref);
    const head = (await findBatch(t.db, ref))!;
    await t.db
      .transaction()
      .execute(async (tx) => {
        await append(tx, [{ ref, entry: noted('never was') }], { nowS: at });
        const inside = await seeDossier(tx, head, at);
        expect(inside.entries).toHaveLength(first.entries.length + 1);
        throw new Error('undone');
      })
      .catch((e: Error) => expect(e.message).toBe('undone'));
    expect(await see(ref)).toBe(first);
  });
});
