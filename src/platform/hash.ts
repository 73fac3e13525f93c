import { createHash } from 'node:crypto';
import stringify from 'safe-stable-stringify';

export const sha256 = (data: string | Uint8Array) =>
  createHash('sha256').update(data).digest('hex');

/** SHA-256 over JSON with sorted keys: the same content gives the same hash, however it was stored. */
export const hashOf = (value: unknown) => sha256(stringify(value) ?? 'null');
