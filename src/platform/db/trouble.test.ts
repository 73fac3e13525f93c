import os from 'node:os';
import { isDiskFull, troubleOf } from './trouble';

test.each<[string, unknown, ReturnType<typeof troubleOf>]>([
  ['a full disk, as PostgreSQL says it', { code: '53100' }, 'disk_full'],
  ['a full disk, as the machine says it', { code: 'ENOSPC' }, 'disk_full'],
  ['a server that is shut down', { code: '57P01' }, 'no_database'],
  ['a server that starts', { code: '57P03' }, 'no_database'],
  ['nobody there', { code: 'ECONNREFUSED' }, 'no_database'],
  ['a lost connection', new Error('Connection terminated unexpectedly'), 'no_database'],
  ['a broken rule', { code: '23505' }, null],
  ['a mistake of ours', new TypeError('x is undefined'), null],
  ['nothing', undefined, null],
])('%s', (_what, error, trouble) => expect(troubleOf(error)).toBe(trouble));

describe('the space that is left', () => {
  afterEach(() => {
    delete process.env.JOLLY_DATA_DIR;
    delete process.env.JOLLY_DISK_MIN_MB;
  });
  test.each([
    [undefined, '1', false],
    [os.tmpdir(), '0', false],
    [os.tmpdir(), '1e12', true],
  ])('%s, least %s MB', (folder, least, full) => {
    if (folder) process.env.JOLLY_DATA_DIR = folder;
    process.env.JOLLY_DISK_MIN_MB = least;
    expect(isDiskFull()).toBe(full);
  });
});
