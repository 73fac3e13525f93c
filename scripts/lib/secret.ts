import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { ROOT } from './paths';

const FILE = path.join(ROOT, '.data/session-secret');

/** Keeps a session secret that came from elsewhere. */
export function keepSecret(secret: string): void {
  fs.mkdirSync(path.dirname(FILE), { recursive: true });
  fs.writeFileSync(FILE, secret, { mode: 0o600 });
}

/** The session secret: from the environment, or made once and kept in the data folder. */
export function sessionSecret(): string {
  if (process.env.BETTER_AUTH_SECRET) return process.env.BETTER_AUTH_SECRET;
  if (!fs.existsSync(FILE)) keepSecret(randomBytes(32).toString('base64url'));
  return fs.readFileSync(FILE, 'utf8');
}
