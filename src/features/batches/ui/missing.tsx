import { CURE_LINE, unweighedLines, type Recipe } from '@/core';
import type { BatchState } from '@/core';
import type { Question } from '@/ui/question';
import { lineName } from './line-name';

/** What is missing before a step: lines that were not weighed, by name, and an open second look. */
export type Missing = { id: string; name: string }[];

export const SECOND_LOOK = 'second-look';

/** What a batch misses before its cure hold, its stuffing or its house. */
export function missingOf(recipe: Recipe, state: BatchState): Missing {
  const lines = unweighedLines(recipe, state).map((id) => ({ id, name: lineName(recipe, id) }));
  const look =
    recipe.cure && state.weighed[CURE_LINE] && !state.cureCheck?.matches
      ? [{ id: SECOND_LOOK, name: 'the second look at the cure' }]
      : [];
  return [...lines, ...look];
}

/** The question about what is missing, with what will be recorded all the same. */
export const missingQuestion = (missing: Missing, what: string, act: () => void): Question => ({
  words: (
    <>
      <p>Not done yet:</p>
      <ul className="list-disc pl-5">
        {missing.map((m) => (
          <li key={m.id}>{m.name}</li>
        ))}
      </ul>
      <p>Go on without it?</p>
    </>
  ),
  answers: [{ label: `Yes, without it: ${what}`, act }],
});
