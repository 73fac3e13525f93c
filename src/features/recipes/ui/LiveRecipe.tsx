'use client';

import { useMemo, type ReactNode } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { routedShape } from '../contract';
import type { Draft } from '../draft';
import { fromDraft } from '../read-draft';
import { LiveContext, useDesk } from './editor-context';

/** Reads the form once a keystroke, for every panel that shows figures; the fields are not drawn anew. */
export function LiveRecipe({ children }: { children: ReactNode }) {
  const { control } = useFormContext<Draft>();
  const { original } = useDesk();
  const draft = useWatch({ control }) as Draft;
  const live = useMemo(() => {
    const recipe = fromDraft(draft, original);
    const parsed = routedShape.safeParse(recipe);
    const issues = parsed.success ? [] : parsed.error.issues;
    const problems = issues.map((i) => ({
      where: i.path as (string | number)[],
      what: i.message,
    }));
    return { recipe, problems };
  }, [draft, original]);
  return <LiveContext value={live}>{children}</LiveContext>;
}
