import type { Recipe } from '../recipe/recipe';
import { holdOf } from '../route/read';
import { PART_KINDS, type Entry, type EntryBody } from './entry';
import type { BatchState } from './state';

/** The part that an entry is about; null for the whole batter. */
export const partOf = (body: EntryBody): string | null =>
  ('part' in body ? (body.part as string | undefined) : undefined) ?? null;

/** An entry's body as one of a part, where its kind is about one. */
export function ofPart(body: EntryBody, part: string | null): EntryBody {
  if (body.kind === 'corrected')
    return body.replacement
      ? { ...body, replacement: ofPart(body.replacement, part) as typeof body.replacement }
      : body;
  const about = part !== null && (PART_KINDS as readonly string[]).includes(body.kind);
  return about ? ({ ...body, part } as EntryBody) : body;
}

/** The entries that are about one part, with those about the whole batter; a correction goes with what it corrects. */
export function entriesOfPart(entries: readonly Entry[], part: string | null): Entry[] {
  const kept = new Set<string>();
  return entries.filter((e) => {
    const about = partOf(e.body);
    const target = e.corrects === null || kept.has(e.corrects);
    const keep = (about === null || about === part) && target;
    if (keep) kept.add(e.id);
    return keep;
  });
}

/**
 * Has the batter been made, so that each part goes its own way? Weighed, and held as long as its common steps ask.
 * @param state what the entries about the whole batter say
 */
export function isParted(recipe: Recipe, state: BatchState): boolean {
  if (!recipe.parts) return false;
  if (state.phase === 'weighing' || state.phase === 'cure_hold' || state.phase === 'destroyed')
    return false;
  const held = state.hold !== null && state.hold.endS !== null;
  return held || holdOf(recipe).minS === 0;
}
