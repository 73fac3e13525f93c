import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { finished } from 'node:stream/promises';
import pg from 'pg';
import { from as copyFrom } from 'pg-copy-streams';
import type { EntryBody, ReadingPlace } from '../src/core';
import { approvedVersions, type Version } from '../src/features/recipes/repository';
import { houseChannels } from '../src/features/readings/repository';
import { addHouse } from '../src/features/settings/service';
import type { Db } from '../src/platform/db/client';
import { world } from './demo/load';
import { HOUR, begins, record, weighIns, type DemoLine, type World } from './demo/story';
import { frozenPork } from './demo/ways';

export const SIZES = { closed: 5000, long: 6, open: 12, readings: 80_000_000 };
const DAY = 24 * HOUR;
const YEARS_S = 5 * 365.25 * DAY;
const WEEKS_S = 28 * DAY;
const EVERY_S = 10;

const CHANNELS: { key: string; name: string; what: ReadingPlace }[] = [
  { key: 'air', name: 'Air', what: 'air' },
  { key: 'air-2', name: 'Air, top', what: 'air' },
  { key: 'wet', name: 'Wet bulb', what: 'wet_bulb' },
  { key: 'core-1', name: 'Core 1', what: 'core' },
  { key: 'core-2', name: 'Core 2', what: 'core' },
  { key: 'core-3', name: 'Core 3', what: 'core' },
];

/** Connects as the owner of the tables, with every trigger off. */
async function ownerOf(url: string): Promise<pg.Client> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(
    "set session_replication_role = replica; set work_mem = '256MB'; set maintenance_work_mem = '1GB'",
  );
  return client;
}

/** A batch that has hung for four weeks in a chamber of its own, six channels in it. */
async function hangLong(w: World, version: Version, houseId: string, nowS: number): Promise<void> {
  const startS = nowS - WEEKS_S - 18 * HOUR;
  const runS = startS + 18 * HOUR;
  const phS = runS + 36 * HOUR;
  const none = { ...w, lots: {} };
  const { entries, cureId } = weighIns(version.content, { startS, meatG: 36_000 }, none);
  const by = (atS: number, body: EntryBody): DemoLine => [atS, w.operator, body];
  const meter = (atS: number) => Math.round(atS) - HOUR;
  const lines = [
    begins(w, version, startS, 36_000, 40 * DAY),
    ...entries,
    ...frozenPork(version.content, entries, startS, none),
    by(startS + 2 * HOUR, { kind: 'cure_hold_started', coolerC: 2.1 }),
    by(startS + 15 * HOUR, { kind: 'cure_hold_ended', coolerC: 2.4 }),
    by(startS + 17 * HOUR, { kind: 'step_done', step: 'stuff', weightG: 37_200, tempC: 2 }),
    by(runS, { kind: 'run_started', houseId, sticks: 14 }),
    ...CHANNELS.map(({ key, what }) =>
      by(runS + 60, {
        kind: 'probe_placed',
        channelId: w.channels[houseId]![key]!,
        what,
        thickest: key === 'core-1',
      }),
    ),
    ...[6, 16, 26].map((h, i) =>
      by(runS + h * HOUR, {
        kind: 'ph_logged',
        ph: [5.74, 5.5, 5.26][i]!,
        meterCheckedS: meter(runS + h * HOUR),
      }),
    ),
    by(phS, { kind: 'ph_logged', ph: 5.08, meterCheckedS: meter(phS) }),
    by(phS + 600, { kind: 'stage_started', stageIndex: 1 }),
    by(phS + 9 * HOUR, { kind: 'stage_started', stageIndex: 2 }),
    ...[0, 4, 9, 15, 22].map((day, i) =>
      by(runS + day * DAY, {
        kind: 'piece_weighed',
        piece: 'Red',
        weightG: 310 - [0, 25, 46, 64, 80][i]!,
      }),
    ),
  ];
  await record(w, version, randomUUID(), startS, lines, cureId);
}

/** Readings of a channel every ten seconds, made by the database itself. */
const fill = (db: pg.Client, channelId: number, fromS: number, toS: number, aboutC: number) =>
  db.query(
    `insert into reading select $1::int, to_timestamp(s), ($4::float8 + 0.6 * sin(s / 1500.0) + 0.1 * ((s / 10)::int8 % 5))::real
     from generate_series($2::int8, $3::int8, ${EVERY_S}) s on conflict do nothing`,
    [channelId, Math.floor(fromS), Math.floor(toS), aboutC],
  );

/** The readings: five years of one house's sensors, four weeks of six chambers. @returns how many there are */
async function fillReadings(
  w: World,
  url: string,
  houses: string[],
  nowS: number,
): Promise<number> {
  const db = await ownerOf(url);
  await db.query('alter table reading drop constraint reading_pkey');
  for (const house of houses)
    for (const [i, c] of (await houseChannels(w.db, house)).entries())
      await fill(db, c.id, nowS - WEEKS_S, nowS, c.what === 'wet_bulb' ? 11 : 13 + i / 10);
  const rest = SIZES.readings - houses.length * CHANNELS.length * (WEEKS_S / EVERY_S);
  const each = YEARS_S / EVERY_S;
  const old = (await houseChannels(w.db, 'big')).concat(await houseChannels(w.db, 'little'));
  /* What the demo read itself in the last days stays. */
  const untilS = nowS - 20 * DAY;
  for (let left = rest, i = 0; left > 0 && i < old.length; i += 1, left -= each)
    await fill(db, old[i]!.id, untilS - Math.min(left, each) * EVERY_S, untilS, 20 + i);
  await db.query('alter table reading add primary key (channel_id, at)');
  for (const [table, every] of [
    ['reading_minute', '1 minute'],
    ['reading_hour', '1 hour'],
  ])
    await db.query(`truncate ${table}; insert into ${table}
      select channel_id, date_bin('${every}', at, 'epoch'), count(*), min(temp_c), max(temp_c), sum(temp_c::float8)
      from reading group by 1, 2`);
  const { rows } = await db.query<{ n: string }>('select count(*) as n from reading');
  await db.query('vacuum analyze');
  await db.query('checkpoint');
  await db.end();
  return Number(rows[0]!.n);
}

const line = (fields: readonly (string | number | null)[]) =>
  `${fields.map((f) => (f === null ? '\\N' : String(f).replace(/[\\\t\n\r]/g, (c) => ({ '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r' })[c]!))).join('\t')}\n`;

async function copyRows(db: pg.Client, into: string, rows: Iterable<string>): Promise<void> {
  const stream = db.query(copyFrom(`copy ${into} from stdin`));
  for (const row of rows) if (!stream.write(row)) await once(stream, 'drain');
  stream.end();
  await finished(stream);
}

type Model = Record<'id' | 'kind' | 'by_id' | 'by_name' | 'body', string> & {
  s: number;
  corrects: string | null;
};

/** Copies of a batch that was signed, with its record, over five years: each with ids of its own. */
async function copyClosed(url: string, nowS: number): Promise<void> {
  const db = await ownerOf(url);
  const { rows: models } = await db.query<{ id: string; code: string; recipe_version_id: string }>(
    'select id, code, recipe_version_id from batch where closed_at is not null order by started_at desc limit 3',
  );
  const records = [];
  for (const m of models) {
    const { rows } = await db.query<Model>(
      `select id, kind, extract(epoch from happened_at)::float8 as s, by_id, by_name, corrects, body::text
       from entry where batch_id = $1 order by seq`,
      [m.id],
    );
    records.push({ ...m, rows });
  }
  const { rows: last } = await db.query<{ seq: string }>('select max(seq) as seq from entry');
  let seq = Number(last[0]!.seq);
  const batches: string[] = [];
  const entries: string[] = [];
  for (let i = 0; i < SIZES.closed; i += 1) {
    const model = records[i % records.length]!;
    const id = randomUUID();
    const startS = nowS - YEARS_S + (i * (YEARS_S - 30 * DAY)) / SIZES.closed;
    const shift = startS - model.rows[0]!.s;
    const iso = (s: number) => new Date(s * 1000).toISOString();
    const ids = new Map(model.rows.map((r) => [r.id, randomUUID()]));
    const renamed = (text: string) =>
      text.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, (old) => ids.get(old) ?? old);
    batches.push(line([id, `Y${i}`, model.recipe_version_id, iso(startS), iso(startS + 3 * DAY)]));
    for (const r of model.rows) {
      seq += 1;
      const at = iso(r.s + shift);
      entries.push(
        line([
          ids.get(r.id)!,
          id,
          seq,
          r.kind,
          at,
          at,
          r.by_id,
          r.by_name,
          r.corrects && ids.get(r.corrects)!,
          renamed(r.body),
          `p${seq}`,
          `h${seq}`,
        ]),
      );
    }
  }
  await copyRows(db, 'batch (id, code, recipe_version_id, started_at, closed_at)', batches);
  await copyRows(
    db,
    'entry (id, batch_id, seq, kind, happened_at, recorded_at, by_id, by_name, corrects, body, prev_hash, hash)',
    entries,
  );
  await db.query('update logbook_head set seq = $1', [seq]);
  await db.query(
    `insert into seal (batch_id, channel_id, from_at, to_at) select b.id, c.id, b.started_at, b.closed_at
     from batch b cross join (select id from channel where house_id = 'little' order by id limit 4) c where b.code like 'Y%'`,
  );
  await db.end();
}

/** As many of the demo's own open batches are put aside that twelve are open with the long ones. */
async function leaveOpen(url: string): Promise<void> {
  const db = await ownerOf(url);
  await db.query(
    `update batch set closed_at = now() where id in (
      select b.id from batch b where b.closed_at is null and not exists (
        select 1 from entry e where e.batch_id = b.id and e.kind = 'run_started' and e.body->>'houseId' like 'weeks%')
      order by b.started_at offset $1)`,
    [SIZES.open - SIZES.long],
  );
  await db.end();
}

/** The chambers that batches will hang in for weeks, each with its six sensors. @returns their ids */
export async function addChambers(db: Db): Promise<string[]> {
  const houses = Array.from({ length: SIZES.long }, (_, i) => `weeks-${i + 1}`);
  for (const id of houses)
    await addHouse(db, { id, name: `Chamber ${id}`, kind: 'chamber', channels: CHANNELS });
  return houses;
}

/** Makes five years of a demo's database: closed batches, readings up to a time, and six batches that have hung for four weeks. */
export async function makeYears(
  db: Db,
  ownerUrl: string,
  houses: string[],
  { nowS, untilS }: { nowS: number; untilS: number },
): Promise<number> {
  const w = await world(db, nowS);
  const version = (await approvedVersions(db)).find((v) => v.content.name === 'Quarry dry stick')!;
  for (const house of houses) await hangLong(w, version, house, nowS);
  await leaveOpen(ownerUrl);
  await copyClosed(ownerUrl, nowS);
  return fillReadings(w, ownerUrl, houses, untilS);
}
