import { randomInt } from 'node:crypto';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';

const shared = globalThis as { jollyGuesser?: ZxcvbnFactory };
const guesser = () =>
  (shared.jollyGuesser ??= new ZxcvbnFactory({
    dictionary: common.dictionary,
    graphs: common.adjacencyGraphs,
  }));

/** Guesses, as a power of ten, that a password must take: what people try first is far below. */
const LEAST_GUESSES_LOG10 = 8;
const MOST_LOOKED_AT = 64;

/**
 * Why a password is too easy to guess, or null: one of those that everybody tries, a row of keys, a date, or the
 * person's own name or e-mail.
 * @param about what belongs to the person and the site
 */
export function tooCommon(password: string, about: readonly string[]): string | null {
  const parts = about
    .flatMap((a) => [a, ...a.split(/[^\p{L}\p{N}]+/u)])
    .filter((p) => p.length > 2);
  const { guessesLog10 } = guesser().check(password.slice(0, MOST_LOOKED_AT), parts);
  return guessesLog10 >= LEAST_GUESSES_LOG10
    ? null
    : 'This is among the first that anybody would try. Take several words that do not belong together.';
}

const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';

/** A password for one sign-in, easy to read out: three groups of four without letters that look alike. */
export const oneTimePassword = (): string =>
  Array.from({ length: 3 }, () =>
    Array.from({ length: 4 }, () => LETTERS[randomInt(LETTERS.length)]).join(''),
  ).join('-');
