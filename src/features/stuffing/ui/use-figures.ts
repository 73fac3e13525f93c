'use client';

import { useState } from 'react';
import { toBase, type Quantity } from '@/core';
import type { PostedBody } from '@/features/logbook/contract';
import { usePost } from '@/features/logbook/ui';
import { useWhen } from '@/ui/when-field';
import { readFigure } from '@/ui/number-field';
import { useShow } from '@/ui/show-context';

type Asked = { quantity: Quantity | null; optional?: boolean };

/**
 * Figures of a small form by their names: typed in the site's units, read in the core's, and emptied once they are sent. What is wrong
 * with a figure stands under its field.
 */
export function useFigures<N extends string>(asked: Record<N, Asked>) {
  const { system } = useShow().settings;
  const names = Object.keys(asked) as N[];
  const blank = Object.fromEntries(names.map((n) => [n, ''])) as Record<N, string>;
  const [text, setText] = useState(blank);
  const [errors, setErrors] = useState<Partial<Record<N, string>>>({});
  const { send, busy, message } = usePost();
  const when = useWhen();
  const field = (name: N) => ({
    value: text[name],
    onChange: (value: string) => setText((t) => ({ ...t, [name]: value })),
    error: errors[name] ?? null,
  });
  /** Every figure in the core's units, undefined where it may be left out and was; null where one is wrong. */
  const read = (): Record<N, number | undefined> | null => {
    const wrong: Partial<Record<N, string>> = {};
    const out = {} as Record<N, number | undefined>;
    for (const n of names) {
      const { quantity, optional } = asked[n];
      if (optional && text[n].trim() === '') out[n] = undefined;
      else {
        const r = readFigure(text[n]);
        if (!r.ok) wrong[n] = r.error;
        else if (r.value < 0 && quantity !== 'temperature') wrong[n] = 'Not below 0.';
        else out[n] = quantity ? toBase(quantity, r.value, system) : r.value;
      }
    }
    setErrors(wrong);
    return Object.keys(wrong).length > 0 ? null : out;
  };
  const post = async (body: PostedBody) => {
    const outcome = await send(body, when.at);
    if (outcome.ok || outcome.code === 'kept') {
      setText(blank);
      when.again();
    }
    return outcome;
  };
  return { field, read, post, when: when.field, busy, message, system };
}
