import type { Question } from './question';

/** What is missing before a step, by name: lines that were not weighed, an open second look. */
export type Missing = { id: string; name: string }[];

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
