import { execFileSync } from 'node:child_process';
import path from 'node:path';

/** Makes a database anew, empty or with the demo, and says where it is. */
export function prepare(
  name: string,
  fill: 'demo' | 'empty' | 'hostile',
): { url: string; tokens: string[] } {
  const root = path.resolve(import.meta.dirname, '../..');
  const out = execFileSync('node_modules/.bin/tsx', ['e2e/support/prepare.ts', name, fill], {
    cwd: root,
    encoding: 'utf8',
  });
  return JSON.parse(out.trim().split('\n').at(-1)!) as ReturnType<typeof prepare>;
}
