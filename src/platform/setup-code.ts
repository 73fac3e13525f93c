import { randomInt, timingSafeEqual } from 'node:crypto';
import { env } from './env';
import { sha256 } from './hash';

const LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';

/** A code for the first visit, which the start command prints. */
export const newSetupCode = (): string =>
  Array.from({ length: 8 }, () => LETTERS[randomInt(LETTERS.length)]).join('');

/** Is this the code of `JOLLY_SETUP_CODE`? Without one nobody can set the site up. */
export function isSetupCode(given: string): boolean {
  const wanted = env().JOLLY_SETUP_CODE;
  if (!wanted) return false;
  const digest = (text: string) => Buffer.from(sha256(text.trim().toUpperCase()), 'hex');
  return timingSafeEqual(digest(given), digest(wanted));
}
