import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from './paths';

/** The session secret: from the environment, or made once and kept in the data folder. */
export function sessionSecret(): string {
  if (process.env.BETTER_AUTH_SECRET) return process.env.BETTER_AUTH_SECRET;
  const file = path.join(ROOT, '.data/session-secret');
  if (!fs.existsSync(file)) {
    fs.mkdirSync(path.dirname(file), { recursive: true });
    fs.writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600 });
  }
  return fs.readFileSync(file, 'utf8');
}
