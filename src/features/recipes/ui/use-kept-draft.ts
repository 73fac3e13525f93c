'use client';

import { useEffect, useMemo, useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import type { Recipe } from '@/core';
import { useHydrated } from '@/ui/hydrated';
import { convertDraft } from '../convert-draft';
import { toDraft, type Draft } from '../draft';

type Kept = { basedOn: number; draft: Draft };

const SETTLE_MS = 400;

function read(key: string, basedOn: number): Draft | null {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? 'null') as Kept | null;
    return kept?.basedOn === basedOn ? kept.draft : null;
  } catch {
    return null;
  }
}

/**
 * Keeps what is written in this browser until it is saved: a closed tab or a page left by mistake loses
 * nothing. What was kept is offered, not forced; a draft of an older version is not offered any more.
 */
export function useKeptDraft(
  form: UseFormReturn<Draft>,
  recipeId: string | undefined,
  basedOn: number,
  recipe: Recipe,
) {
  const key = `jolly-draft-2:${recipeId ?? 'new'}`;
  const hydrated = useHydrated();
  const [answered, setAnswered] = useState(false);
  const found = useMemo(() => (hydrated ? read(key, basedOn) : null), [hydrated, key, basedOn]);
  useEffect(() => {
    let waiting: Draft | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const keep = () => {
      if (!waiting) return;
      const untouched = JSON.stringify(toDraft(recipe, waiting.units)) === JSON.stringify(waiting);
      if (!untouched) localStorage.setItem(key, JSON.stringify({ basedOn, draft: waiting }));
      waiting = null;
    };
    const stop = form.subscribe({
      formState: { values: true },
      callback: ({ values }) => {
        waiting = values;
        clearTimeout(timer);
        timer = setTimeout(keep, SETTLE_MS);
      },
    });
    return () => {
      stop();
      clearTimeout(timer);
      keep();
    };
  }, [form, key, basedOn, recipe]);
  const forget = () => {
    localStorage.removeItem(key);
    setAnswered(true);
  };
  const take = () => {
    if (found) form.reset(convertDraft(found, form.getValues('units'), recipe));
    setAnswered(true);
  };
  return { offered: found !== null && !answered, take, forget };
}
