import type { Check } from '@/core';
import type { Show } from './show';

/** What a check says of its figures, by their names. */
export type Say = (f: (name: string) => number, s: Show, c: Check) => string;

/** Says the same whatever the figures. */
export const plain =
  (text: string): Say =>
  () =>
    text;
/** A sentence, and after it what the figures say. */
export const joined =
  (text: string, say: Say): Say =>
  (f, s, c) =>
    `${text} ${say(f, s, c)}`;
