'use client';

import { useId, useState, type ReactNode } from 'react';
import { Notice } from '@/ui/status';
import { instantOf, WhenField } from './WhenField';
import type { PostedBody } from '../contract';
import { useBatch, usePost } from './use-post';

/** One press, one entry, with the time it happened. */
export function EntryButton({
  body,
  children,
  main = true,
}: {
  body: PostedBody;
  children: ReactNode;
  main?: boolean;
}) {
  const { canWork, timeZone } = useBatch();
  const { send, busy, message } = usePost();
  const id = useId();
  const [when, setWhen] = useState('');
  if (!canWork) return null;
  const press = async () => {
    const outcome = await send(body, withTime(when, timeZone));
    if (outcome.ok) setWhen('');
  };
  return (
    <div className="space-y-2" role="group" aria-labelledby={id}>
      <button
        id={id}
        type="button"
        disabled={busy}
        className={main ? 'button-main min-h-14 text-lg' : 'button'}
        onClick={() => void press()}
      >
        {children}
      </button>
      <div>
        <WhenField value={when} onChange={setWhen} timeZone={timeZone} />
      </div>
      {message && <Notice tone="bad">{message}</Notice>}
    </div>
  );
}

export const withTime = (when: string, timeZone: string) => {
  const happenedAt = instantOf(when, timeZone);
  return happenedAt ? { happenedAt } : {};
};
