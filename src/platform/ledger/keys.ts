import { createHmac } from 'node:crypto';
import { sha256 } from '../hash';

/** A key of the ledger: it lives outside the database, so that nobody can rewrite the ledger with the database alone. */
export type LedgerKey = { id: string; secret: string };

const SHORTEST = 32;

/**
 * The keys of a site: the last one writes, the earlier ones only read what they wrote.
 * @param text keys apart by commas or white space, oldest first
 * @throws Error when there is none, or one is too short to be one
 */
export function parseKeys(text: string): LedgerKey[] {
  const keys = text.split(/[\s,]+/).filter((k) => k !== '');
  if (keys.length === 0) throw new Error('JOLLY_LEDGER_KEYS is not set: start with ./kettle');
  if (keys.some((k) => k.length < SHORTEST))
    throw new Error(`JOLLY_LEDGER_KEYS: a key has fewer than ${SHORTEST} characters`);
  return keys.map((secret) => ({ id: sha256(secret).slice(0, 12), secret }));
}

/** The keys that this process was given. */
export const ledgerKeys = (): LedgerKey[] => parseKeys(process.env.JOLLY_LEDGER_KEYS ?? '');

/** A row of the ledger: what a transaction changed, in the order in which transactions ended. */
export type LedgerRow = { seq: number; at: string; keyId: string; facts: string; mac: string };

/** What stands before the first row. */
export const START = { seq: 0, mac: '0'.repeat(64), at: new Date(0).toISOString() };

/** The code of a row under a key: it covers the row and the code of the row before it. */
export const macOf = (key: LedgerKey, prevMac: string, row: Omit<LedgerRow, 'mac' | 'keyId'>) =>
  createHmac('sha256', key.secret)
    .update([prevMac, row.seq, row.at, key.id, row.facts].join('\n'))
    .digest('hex');
