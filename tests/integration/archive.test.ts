import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { sql } from 'kysely';
import { sha256 } from '@/platform/hash';
import { verifyLogbook } from '@/features/records/verify';
import { backUp, restore } from '../../scripts/lib/archive';
import { demoDatabase, freshDatabase } from '../support/database';

jest.mock('@/features/accounts/identify', () => ({}));

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'kettle-archive-'));
const file = path.join(folder, 'all.tar');
const SECRETS = { session: 'the-secret', ledgerKeys: process.env.JOLLY_LEDGER_KEYS! };
afterAll(() => fs.rmSync(folder, { recursive: true }));

const tables = [
  'entry',
  'reading',
  'batch',
  'recipe_version',
  'lot_move',
  '"user"',
  'account',
  'seal',
];
type Db = Awaited<ReturnType<typeof demoDatabase>>['demo'];
const counts = async (db: Db) =>
  Promise.all(
    tables.map(
      async (t) =>
        (await sql<{ n: number }>`select count(*)::int as n from ${sql.raw(t)}`.execute(db))
          .rows[0]!.n,
    ),
  );

test('a backup made while it runs comes back elsewhere, whole and verified', async () => {
  const { demo, ownerUrl, drop } = await demoDatabase();
  const other = await freshDatabase();
  try {
    const manifest = await backUp(ownerUrl, SECRETS, file);
    expect(manifest.entries).toBeGreaterThan(100);
    expect(fs.statSync(file).mode & 0o077).toBe(0);
    const back = await restore(other.ownerUrl, file);
    expect(back.secrets).toEqual(SECRETS);
    expect(back.manifest).toEqual(manifest);
    expect(await counts(other.db)).toEqual(await counts(demo));
    const there = await verifyLogbook(other.db);
    expect(there.problems).toEqual([]);
    expect(there.lastHash).toBe(manifest.lastHash);
    await expect(sql`update entry set by_name = 'x'`.execute(other.db)).rejects.toThrow();
  } finally {
    await other.drop();
    await drop();
  }
});

test('a damaged or foreign file is refused before anything is touched', async () => {
  const t = await freshDatabase();
  try {
    const before = await counts(t.db);
    const foreign = path.join(folder, 'foreign.tar');
    fs.writeFileSync(foreign, 'not a backup');
    await expect(restore(t.ownerUrl, foreign)).rejects.toThrow('cannot be read as a backup');
    const damaged = path.join(folder, 'damaged.tar');
    const bytes = fs.readFileSync(file);
    bytes[Math.floor(bytes.length / 2)]! ^= 0xff;
    fs.writeFileSync(damaged, bytes);
    await expect(restore(t.ownerUrl, damaged)).rejects.toThrow('was damaged');
    const unreadable = path.join(folder, 'unreadable.tar');
    const parts = path.join(folder, 'parts');
    fs.mkdirSync(parts);
    fs.writeFileSync(path.join(parts, 'database.dump'), 'no dump');
    fs.writeFileSync(path.join(parts, 'secrets.json'), '{}');
    const says = { format: 2, madeAt: '', dumpSha256: sha256('no dump'), entries: 0, lastHash: '' };
    fs.writeFileSync(path.join(parts, 'manifest.json'), JSON.stringify(says));
    execFileSync('tar', [
      '-C',
      parts,
      '-cf',
      unreadable,
      'manifest.json',
      'database.dump',
      'secrets.json',
    ]);
    await expect(restore(t.ownerUrl, unreadable)).rejects.toThrow(/pg_restore/);
    expect(await counts(t.db)).toEqual(before);
  } finally {
    await t.drop();
  }
});
