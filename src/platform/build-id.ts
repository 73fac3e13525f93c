import fs from 'node:fs';
import path from 'node:path';

let known: string | null = null;

/** The build that this server runs: pages of another one reload themselves. */
export function buildId(): string {
  known ??=
    process.env.JOLLY_BUILD_ID ??
    fs.readFileSync(path.join(process.cwd(), '.next/BUILD_ID'), 'utf8').trim();
  return known;
}
