'use client';

import { useState } from 'react';
import type { Reminder, ReminderCode } from '@/core';
import { REMINDER_WORDS, reminderWords } from '@/words/bench';
import { useShow } from '@/ui/show-context';
import { Said } from '@/ui/status';
import { TextField } from '@/ui/text-field';
import { useWhen } from '@/ui/when-field';
import { useBatch, usePost } from '@/features/logbook/ui';

/** Said this long before it is due, s. */
const AHEAD_S = 30 * 60;

/** What the verdict asks for is answered with a reason, never with a press alone. */
const ASKS_WHY: readonly ReminderCode[] = ['measure', 'mixed_without', 'bowl_gap', 'trial_loss'];

/** One thing that is due: what happens if nobody answers, and the answer by name. */
function Due({ r, nowS }: { r: Reminder; nowS: number }) {
  const show = useShow();
  const { canWork } = useBatch();
  const { send, busy, message } = usePost();
  const when = useWhen();
  const [text, setText] = useState('');
  const due = r.dueS <= nowS;
  const why = ASKS_WHY.includes(r.code);
  return (
    <li className={`rounded-md px-3 py-2 ${due ? 'bg-wait-wash text-wait' : 'bg-accent-wash'}`}>
      <p className="font-semibold">
        {REMINDER_WORDS[r.code]}
        {due ? '' : `: ${show.when(r.dueS, nowS)}`}
      </p>
      <p>{reminderWords(r.code, r.figures, show)}</p>
      {due && canWork && (
        <form
          className="mt-1 flex flex-wrap items-end gap-2"
          aria-label={REMINDER_WORDS[r.code]}
          onSubmit={(e) => {
            e.preventDefault();
            void send(
              { kind: 'reminder_answered', key: r.key, text: text.trim() || 'done' },
              when.at,
            );
          }}
        >
          <TextField
            dense
            wrap="grow"
            label="Answer"
            value={text}
            placeholder={why ? 'why, or what was done' : 'done'}
            onChange={(e) => setText(e.target.value)}
          />
          <button className="button min-h-12" disabled={busy || (why && text.trim().length < 3)}>
            Answer
          </button>
          <div className="basis-full">{when.field}</div>
          <Said text={message} />
        </form>
      )}
    </li>
  );
}

/** What is due of a batch's making, and what soon will be. */
export function Reminders({ reminders, nowS }: { reminders: readonly Reminder[]; nowS: number }) {
  const near = reminders.filter((r) => r.dueS - nowS < AHEAD_S);
  if (near.length === 0) return null;
  return (
    <ul className="space-y-2" aria-label="Reminders">
      {near.map((r) => (
        <Due key={r.key} r={r} nowS={nowS} />
      ))}
    </ul>
  );
}
