/** Empties a field whose text has been taken; what was typed since then stays. */
export const cleared =
  (taken: string) =>
  (now: string): string =>
    now === taken ? '' : now;
