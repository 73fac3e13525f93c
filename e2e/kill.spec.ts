import { expect, test } from './support/test';
import { execFileSync } from 'node:child_process';
import path from 'node:path';

test('parts are killed outright, each comes back by itself, and what was acknowledged is there', () => {
  test.setTimeout(600_000);
  const out = execFileSync('node_modules/.bin/tsx', ['scripts/main.ts', 'kill', '5', '3'], {
    cwd: path.resolve(import.meta.dirname, '..'),
    encoding: 'utf8',
    env: { ...process.env, DATABASE_URL: '', JOLLY_LEDGER_KEYS: '' },
  });
  expect(out).toContain('0 lost, 0 doubled, 0 times not up by itself, 0 findings of verify');
  expect(Number(/(\d+) HTTP/.exec(out)![1])).toBeGreaterThan(15);
});
