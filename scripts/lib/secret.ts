import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { sha256 } from '../../src/platform/hash';
import { makePushKeys, parsePushKeys } from '../../src/platform/push-keys';
import type { Secrets } from './archive';
import { DATA } from './paths';

const FILE = path.join(DATA, 'session-secret');
const KEYS = path.join(DATA, 'ledger-keys');
const PUSH = path.join(DATA, 'push-keys');
const DEMO_PUSH = path.join(DATA, 'push-keys-demo');
/** Whom push services would write to about the demo. */
const DEMO_CONTACT = 'mailto:demo@alderhollow.example';

function keep(file: string, text: string): void {
  fs.mkdirSync(path.dirname(file), { recursive: true });
  fs.writeFileSync(file, text, { mode: 0o600 });
}
const made = () => randomBytes(32).toString('base64url');

/** The session secret: from the environment, or made once and kept in the data folder. */
export function sessionSecret(): string {
  if (process.env.BETTER_AUTH_SECRET) return process.env.BETTER_AUTH_SECRET;
  if (!fs.existsSync(FILE)) keep(FILE, made());
  return fs.readFileSync(FILE, 'utf8');
}

/** What belongs to a site beside its database. */
export const allSecrets = (): Secrets => ({
  session: sessionSecret(),
  ledgerKeys: ledgerKeyText(),
  pushKeys: pushKeyText(),
});

/** Keeps what came with a backup, unless the environment has its own; keys of the ledger that came later go on writing. */
export function keepSecrets({ session, ledgerKeys, pushKeys }: Secrets): void {
  if (!process.env.BETTER_AUTH_SECRET) keep(FILE, session);
  if (pushKeys && !process.env.JOLLY_PUSH_KEYS) keep(PUSH, pushKeys);
  if (process.env.JOLLY_LEDGER_KEYS) return;
  const later = fs.existsSync(KEYS) ? fs.readFileSync(KEYS, 'utf8').split(/\s+/) : [];
  keep(KEYS, `${[...new Set([...ledgerKeys.split(/\s+/), ...later])].join('\n').trim()}\n`);
}

/** The keys of the ledger, oldest first: from the environment, or made once and kept in the data folder. */
export function ledgerKeyText(): string {
  if (process.env.JOLLY_LEDGER_KEYS) return process.env.JOLLY_LEDGER_KEYS;
  if (!fs.existsSync(KEYS)) keep(KEYS, `${made()}\n`);
  return fs.readFileSync(KEYS, 'utf8');
}

/** The keys that messages to devices are signed with: from the environment, or as they were made here; none before that. */
export function pushKeyText(): string | undefined {
  const given = process.env.JOLLY_PUSH_KEYS;
  const text = given || (fs.existsSync(PUSH) ? fs.readFileSync(PUSH, 'utf8').trim() : undefined);
  if (text === undefined) return undefined;
  try {
    parsePushKeys(text);
  } catch {
    throw new Error(
      `${given ? 'JOLLY_PUSH_KEYS' : PUSH} holds no push keys: a contact, a public and a private key, as ./kettle push-keys makes them`,
    );
  }
  return text;
}

/**
 * Makes the keys for messages to devices, once: with others, every device would have to be switched on anew.
 * @param contact address that push services may write to
 * @throws Error where there are some, or where the contact is no address
 */
export function newPushKeys(contact = ''): void {
  if (pushKeyText()) throw new Error('there are keys already: nothing was changed');
  let text: string;
  try {
    text = makePushKeys(contact);
  } catch {
    throw new Error('say whom push services may write to, as in: mailto:me@example.com');
  }
  keep(PUSH, `${text}\n`);
}

/** The keys of the demo: made by itself, and never those of the site. */
export function demoPushKeys(): string {
  if (!fs.existsSync(DEMO_PUSH)) keep(DEMO_PUSH, makePushKeys(DEMO_CONTACT));
  return fs.readFileSync(DEMO_PUSH, 'utf8');
}

/** Adds a new key that writes from the next start on; the earlier ones go on reading what they wrote. */
export function addLedgerKey(): void {
  if (process.env.JOLLY_LEDGER_KEYS)
    throw new Error('the keys come from JOLLY_LEDGER_KEYS: add the new one at its end');
  keep(KEYS, `${ledgerKeyText().trim()}\n${made()}\n`);
}

/** Another server's database has anchors of its own: those of two ledgers in one file would look like tampering. */
function fileOf(databaseUrl: string): string {
  const { host, pathname } = new URL(databaseUrl);
  return `anchors-${sha256(host + pathname).slice(0, 8)}.log`;
}

/** The file of anchors of a site, or of the demo, which is made anew again and again. */
export function anchorsOf(what: 'site' | 'demo'): string {
  if (what === 'demo') return path.join(DATA, 'anchors-demo.log');
  const given = process.env.DATABASE_URL;
  return process.env.JOLLY_ANCHORS ?? path.join(DATA, given ? fileOf(given) : 'anchors.log');
}

/** Hands this process what the ledger needs: the keys, and the file of anchors; none for what is thrown away. */
export function readyLedger(what: 'site' | 'demo' | 'nothing kept'): void {
  process.env.JOLLY_LEDGER_KEYS = ledgerKeyText();
  if (what === 'nothing kept') delete process.env.JOLLY_ANCHORS;
  else process.env.JOLLY_ANCHORS = anchorsOf(what);
}
