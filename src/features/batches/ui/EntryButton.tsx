'use client';

import { useId, useState, type ReactNode } from 'react';
import { AskAgain, useQuestion } from '@/ui/question';
import { Said } from '@/ui/status';
import { missingQuestion, type Missing } from '@/ui/missing-question';
import type { PostedBody } from '@/features/logbook/contract';
import { useBatch, usePost } from '@/features/logbook/ui';
import { WhenField, withTime } from '@/ui/when-field';
import type { Asks } from '@/words/before-press';

/** One press, one entry, with the time it happened. */
export function EntryButton({
  body,
  children,
  main = true,
  before,
  asks,
}: {
  body: PostedBody;
  children: ReactNode;
  main?: boolean;
  /** What is missing for it: listed and asked first. */
  before?: Missing;
  /** What is asked before it is recorded, the safe choice first. */
  asks?: Asks | null;
}) {
  const { canWork, timeZone } = useBatch();
  const { send, busy, message } = usePost();
  const id = useId();
  const [when, setWhen] = useState('');
  const q = useQuestion();
  if (!canWork) return null;
  const record = async () => {
    const outcome = await send(body, withTime(when, timeZone));
    if (outcome.ok) setWhen('');
  };
  const act = () => void record();
  const press = () => {
    if (before && before.length > 0) q.ask(missingQuestion(before, String(children), act));
    else if (asks)
      q.ask({ words: asks.words, stay: asks.stay, answers: [{ label: asks.go, act }] });
    else act();
  };
  return (
    <div className="space-y-2" role="group" aria-labelledby={id}>
      <button
        id={id}
        type="button"
        disabled={busy}
        className={main ? 'button-main min-h-14 text-lg' : 'button'}
        onClick={press}
      >
        {children}
      </button>
      <div>
        <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
      </div>
      <AskAgain {...q} />
      <Said text={message} />
    </div>
  );
}
