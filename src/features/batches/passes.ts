import { effectiveEntries, routeOf, type Pass } from '@/core';
import { findBatch, lastBatchesWith, loadEntries } from '@/features/logbook/service';
import type { Handle } from '@/platform/db/client';
import { passKey } from './making';

/** So many batches back are looked at: machines wear, and blades are changed. */
const MOST_BATCHES = 12;

/** Passes of earlier batches that were measured before and after, by what they are learned by. */
export async function earlierPasses(db: Handle, except: string): Promise<Record<string, Pass[]>> {
  const found: Record<string, Pass[]> = {};
  for (const id of await lastBatchesWith(db, 'step_ticked', MOST_BATCHES + 1)) {
    const head = id === except ? null : await findBatch(db, id);
    if (!head) continue;
    const route = routeOf(head.wholeRecipe);
    for (const { body } of effectiveEntries(await loadEntries(db, id))) {
      if (body.kind !== 'step_ticked' || body.beforeC === undefined || body.tempC === undefined)
        continue;
      const step = route.find((s) => s.id === body.stepId);
      if (step) (found[passKey(step)] ??= []).push({ beforeC: body.beforeC, afterC: body.tempC });
    }
  }
  return found;
}
