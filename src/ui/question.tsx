'use client';

import { useEffect, useState, type ReactNode } from 'react';
import { Notice } from './status';

/** A question before something is recorded: what is odd, and what exactly will be recorded by "yes". */
export type Question = {
  words: ReactNode;
  /** Each answer names what it records; it records that and nothing that was typed since. */
  answers: { label: string; act: () => void }[];
  /** The safe choice, which stands first and changes nothing; "No, go back" at the end where it has no name. */
  stay?: string;
};

/** Keys that move about and type nothing. */
const SILENT = ['Tab', 'Shift', 'Enter', ' ', 'ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'];

/**
 * One question at a time, bound to what it asks about: it vanishes with the next key that types something, with
 * whatever else the form clears it for, and with its answer.
 */
export function useQuestion() {
  const [asking, setAsking] = useState<Question | null>(null);
  const clear = () => setAsking(null);
  const open = asking !== null;
  useEffect(() => {
    if (!open) return;
    const typed = (e: KeyboardEvent) => {
      if (!SILENT.includes(e.key)) setAsking(null);
    };
    const changed = () => setAsking(null);
    document.addEventListener('keydown', typed, true);
    document.addEventListener('input', changed, true);
    return () => {
      document.removeEventListener('keydown', typed, true);
      document.removeEventListener('input', changed, true);
    };
  }, [open]);
  return { asking, ask: setAsking, clear };
}

/** Shows a question with its answers; saying no changes nothing. */
export function AskAgain({
  asking,
  clear,
}: Pick<ReturnType<typeof useQuestion>, 'asking' | 'clear'>) {
  if (!asking) return null;
  return (
    <Notice tone="wait">
      <div>{asking.words}</div>
      <div className="mt-2 flex flex-wrap gap-2">
        {asking.stay && (
          <button type="button" className="button-main" onClick={clear}>
            {asking.stay}
          </button>
        )}
        {asking.answers.map((a) => (
          <button
            key={a.label}
            type="button"
            className="button"
            onClick={() => {
              clear();
              a.act();
            }}
          >
            {a.label}
          </button>
        ))}
        {!asking.stay && (
          <button type="button" className="button" onClick={clear}>
            No, go back
          </button>
        )}
      </div>
    </Notice>
  );
}
