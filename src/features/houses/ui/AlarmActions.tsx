'use client';

import { MEDIUM_WORDS } from '@/words/batch';
import { AskAgain, useQuestion } from '@/ui/question';
import type { Asks } from '@/words/before-press';
import type { AlarmAct, Fact } from '../alarm-groups';
import { usePostTo, useWorker } from './post-as';

const actWords = (act: AlarmAct): string => {
  if (act.code === 'next_stage') return `Next stage: ${act.stage}`;
  if (act.code === 'pull') return act.facts.length > 1 ? 'Pull them' : 'Pull it';
  return `Start the chill: ${MEDIUM_WORDS[act.medium]}`;
};

/** What is pressed at an alarm: who does what it asks for has seen it, in the same press; else "I see to it". */
export function AlarmActions({
  act,
  seen,
  asks,
}: {
  act: AlarmAct | null;
  seen: Fact[];
  /** What is asked before it, where something is not reached. */
  asks: Asks | null;
}) {
  const { canWork } = useWorker();
  const { sendAll, busy, message } = usePostTo();
  const q = useQuestion();
  if (!canWork || (!act && seen.length === 0)) return null;
  const send = () => void sendAll([...seen, ...(act?.facts ?? [])]);
  const press = () =>
    asks
      ? q.ask({ words: asks.words, stay: asks.stay, answers: [{ label: asks.go, act: send }] })
      : send();
  return (
    <div className="space-y-2">
      <button
        type="button"
        className={act ? 'button-main' : 'button bg-sheet'}
        disabled={busy}
        onClick={press}
      >
        {act ? actWords(act) : 'I see to it'}
      </button>
      <AskAgain {...q} />
      {message && <p className="small font-semibold text-bad">{message}</p>}
    </div>
  );
}
