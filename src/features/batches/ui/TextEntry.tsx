'use client';

import { useState } from 'react';
import { Said } from '@/ui/status';
import type { PostedBody } from '@/features/logbook/contract';
import { useBatch, usePost } from '@/features/logbook/ui';
import { WhenField, withTime } from '@/ui/when-field';
import { TextField } from '@/ui/text-field';

const BODY = {
  labelled: (text: string): PostedBody => ({ kind: 'labelled', text }),
  plan_named: (plan: string): PostedBody => ({ kind: 'plan_named', plan }),
};

/** An entry that is one line of text: the label, the plan. */
export function TextEntry({
  label,
  hint,
  button,
  kind,
  decides = false,
}: {
  label: string;
  hint: string;
  button: string;
  kind: keyof typeof BODY;
  /** Only who may decide is asked. */
  decides?: boolean;
}) {
  const { canWork, canDecide, timeZone } = useBatch();
  const { send, busy, message } = usePost();
  const [text, setText] = useState('');
  const [when, setWhen] = useState('');
  if (decides ? !canDecide : !canWork) return <p className="small">{hint}</p>;
  return (
    <form
      className="max-w-lg space-y-3"
      aria-label={button}
      onSubmit={(e) => {
        e.preventDefault();
        void send(BODY[kind](text), withTime(when, timeZone));
      }}
    >
      <TextField label={label} hint={hint} value={text} onChange={(e) => setText(e.target.value)} />
      <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
      <Said text={message} />
      <button className="button-main min-h-14 text-lg" disabled={busy}>
        {button}
      </button>
    </form>
  );
}
