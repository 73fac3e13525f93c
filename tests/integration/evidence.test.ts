import { randomUUID } from 'node:crypto';
import type { EntryBody } from '@/core';
import { loadDossier, type Dossier } from '@/features/logbook/case';
import { loadOpen } from '@/features/logbook/open-batches';
import type { PostedBody } from '@/features/logbook/contract';
import { postEntry } from '@/features/batches/service';
import { houseChannels, type Channel } from '@/features/readings/repository';
import { sql } from 'kysely';
import type { Db } from '@/platform/db/client';
import { demoDatabase } from '../support/database';
import { person } from '../support/people';

jest.mock('@/features/accounts/identify', () => ({}));

const nowS = () => Date.now() / 1000;
const ines = person('Ines', 'operator');
let demo: Db;
let drop: () => Promise<void>;
let inHouse: Dossier[];
let big: Channel[];
let little: Channel[];
beforeAll(async () => {
  ({ demo, drop } = await demoDatabase());
  const { dossiers } = await loadOpen(demo, nowS());
  inHouse = dossiers.filter(
    (d) => d.case.state.run?.houseId === 'big' && d.case.state.run.pulledS === null,
  );
  big = await houseChannels(demo, 'big');
  little = await houseChannels(demo, 'little');
});
afterAll(() => drop());

const post = (
  batchId: string,
  body: PostedBody,
  more: { corrects?: string; id?: string; happenedAt?: string } = {},
) =>
  postEntry(demo, ines, batchId, {
    id: more.id ?? randomUUID(),
    happenedAt: more.happenedAt ?? new Date().toISOString(),
    body,
    corrects: more.corrects ?? null,
    confirmed: true,
    enteredIn: 'metric',
  });

const coreOf = (d: Dossier) => d.case.state.probes.find((p) => p.what === 'core' && p.thickest)!;
const placement = (d: Dossier, channelId: number) =>
  d.entries.find((e) => e.body.kind === 'probe_placed' && e.body.channelId === channelId)!;

type Imported = Extract<EntryBody, { kind: 'readings_imported' }>;

describe('a channel belongs to its place and kind, placed or corrected', () => {
  const cases = (): [string, Extract<EntryBody, { kind: 'probe_placed' }>, string][] => {
    const [mine, other] = inHouse as [Dossier, Dossier];
    const air = big.find((c) => c.what === 'air')!;
    const foreign = little.find((c) => c.what === 'core')!;
    const at = (channelId: number, what: 'core' | 'air' = 'core') =>
      ({ kind: 'probe_placed', channelId, what, thickest: what === 'core' }) as const;
    return [
      ['the air called a core', at(air.id), 'channel_of_other_kind'],
      ['a core called the air', at(coreOf(mine).channelId, 'air'), 'channel_of_other_kind'],
      ['a core of the other house', at(foreign.id), 'channel_of_other_house'],
      ['a core that sits in another batch', at(coreOf(other).channelId), 'probe_in_other_batch'],
      ['a channel that is not there', at(999_999), 'unknown_channel'],
    ];
  };

  test.each([0, 1, 2, 3, 4])('case %i', async (i) => {
    const [, body, code] = cases()[i]!;
    const [mine] = inHouse as [Dossier];
    /* One that is placed here already is refused for that, before anybody asks what it is. */
    const placed = await post(mine.head.id, body);
    expect(placed.ok ? 'taken' : placed.code).toMatch(new RegExp(`${code}|probe_already_placed`));
    const target = placement(mine, coreOf(mine).channelId);
    expect(
      await post(
        mine.head.id,
        { kind: 'corrected', reason: 'wrong one', replacement: body } as PostedBody,
        { corrects: target.id },
      ),
    ).toMatchObject({ ok: false, code });
    const after = (await loadDossier(demo, mine.head.id, nowS()))!;
    expect(after.case.state.probes).toEqual(mine.case.state.probes);
  });

  test('an import is not corrected to another batch’s channels', async () => {
    const [mine, other] = inHouse as [Dossier, Dossier];
    const channelOf = async (batchId: string, what: 'core' | 'air') => {
      const { rows } = await sql<{ id: number }>`
        insert into channel (batch_id, key, name, what)
        values (${batchId}, ${randomUUID()}, 'From a file', ${what}) returning id`.execute(demo);
      return rows[0]!.id;
    };
    const own = await channelOf(mine.head.id, 'core');
    const ownAir = await channelOf(mine.head.id, 'air');
    const theirs = await channelOf(other.head.id, 'core');
    const imported = (channelId: number): Imported => ({
      kind: 'readings_imported',
      fileName: 'a.csv',
      sha256: 'a'.repeat(64),
      channels: [{ channelId, name: 'Core', what: 'core', thickest: true }],
    });
    const { chainEntries } = await import('@/features/logbook/chain');
    const id = randomUUID();
    await demo.transaction().execute((tx) =>
      chainEntries(
        tx,
        mine.head.id,
        [
          {
            id,
            happenedS: nowS(),
            by: { id: 'ines', name: 'Ines' },
            corrects: null,
            body: imported(own),
          },
        ],
        nowS(),
      ),
    );
    const correct = (channelId: number) =>
      post(
        mine.head.id,
        {
          kind: 'corrected',
          reason: 'other column',
          replacement: imported(channelId),
        } as PostedBody,
        { corrects: id },
      );
    expect(await correct(theirs)).toMatchObject({ ok: false, code: 'channel_of_other_batch' });
    expect(await correct(ownAir)).toMatchObject({ ok: false, code: 'channel_of_other_kind' });
    expect(await correct(coreOf(mine).channelId)).toMatchObject({ code: 'channel_of_other_batch' });
    expect(await correct(own)).toMatchObject({ ok: true });
  });
});

test('an entry counts once; its number with other content or another time is refused', async () => {
  const [mine] = inHouse as [Dossier];
  const id = randomUUID();
  const happenedAt = new Date(Date.now() - 60_000).toISOString();
  const note = (text: string) => ({ kind: 'noted', text }) as const;
  expect(await post(mine.head.id, note('first'), { id, happenedAt })).toMatchObject({
    ok: true,
    known: false,
  });
  expect(await post(mine.head.id, note('first'), { id, happenedAt })).toMatchObject({
    ok: true,
    known: true,
  });
  expect(await post(mine.head.id, note('second'), { id, happenedAt })).toMatchObject({
    code: 'id_taken',
  });
  const later = new Date().toISOString();
  expect(await post(mine.head.id, note('first'), { id, happenedAt: later })).toMatchObject({
    code: 'id_taken',
  });
});
