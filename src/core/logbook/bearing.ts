import { kindOf } from './book';
import type { CheckCode } from './check-code';
import type { Entry, EntryBody } from './entry';

const bearsOn = (body: EntryBody): readonly CheckCode[] => {
  const { bearsOn: on } = kindOf(body);
  return typeof on === 'function' ? on(body) : on;
};

/**
 * For each check the highest seq of an entry that bears on it. A correction bears on whatever its target
 * and its replacement bear on: a decision made before it was made on something else.
 */
export function touchedBy(entries: readonly Entry[]): Record<string, number> {
  const byId = new Map(entries.map((e) => [e.id, e]));
  const touched: Record<string, number> = {};
  for (const e of entries) {
    const target = e.corrects === null ? undefined : byId.get(e.corrects)?.body;
    const replaced = e.body.kind === 'corrected' ? e.body.replacement : null;
    for (const body of [e.body, target, replaced])
      if (body)
        for (const code of bearsOn(body)) touched[code] = Math.max(touched[code] ?? 0, e.seq);
  }
  return touched;
}
