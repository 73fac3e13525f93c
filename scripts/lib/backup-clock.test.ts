import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { dropOld, isDue, ownBackups } from './backup-clock';

const DAY_MS = 86_400_000;
let folder: string;
beforeEach(() => (folder = fs.mkdtempSync(path.join(os.tmpdir(), 'kettle-clock-'))));
afterEach(() => fs.rmSync(folder, { recursive: true }));

const write = (name: string, ageMs: number) => {
  const at = new Date(Date.now() - ageMs);
  fs.writeFileSync(path.join(folder, name), 'x');
  fs.utimesSync(path.join(folder, name), at, at);
};

test('the oldest of its own go, what people put there stays', () => {
  for (const day of ['01', '02', '03', '04']) write(`kettle-2026-01-${day}.tar`, 0);
  write('before-the-move.tar', 0);
  dropOld(2, folder);
  expect(fs.readdirSync(folder).sort()).toEqual([
    'before-the-move.tar',
    'kettle-2026-01-03.tar',
    'kettle-2026-01-04.tar',
  ]);
  expect(ownBackups(folder)).toHaveLength(2);
});

test.each<[string, number | null, boolean]>([
  ['none yet', null, true],
  ['one of today', 3_600_000, false],
  ['one of yesterday', DAY_MS + 1, true],
])('%s: is one due?', (_what, ageMs, due) => {
  if (ageMs !== null) write('kettle-2026-01-01.tar', ageMs);
  expect(isDue(Date.now(), folder)).toBe(due);
});

test('without a folder one is due', () =>
  expect(isDue(Date.now(), path.join(folder, 'none'))).toBe(true));
