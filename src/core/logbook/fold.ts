import type { Recipe } from '../recipe/recipe';
import { programOf } from '../route/read';
import { touchedBy } from './bearing';
import { emptyState, kindOf } from './book';
import { settleWeighings } from './chapters/weighing';
import { effectiveEntries } from './effective';
import type { Entry } from './entry';
import { phaseOf } from './phase';
import type { BatchState } from './state';
import { withdrawnLogs } from './withdrawn';

/** The weight of the meat block once every line of it is weighed. */
function sumMeat(state: BatchState, recipe: Recipe): void {
  const meat = recipe.meat.map((m) => state.weighed[m.id]);
  if (meat.length === 0 || meat.some((w) => w === undefined)) return;
  state.meatG = meat.reduce((sum, w) => sum + w!.amountG, 0);
  state.meatResolutionG = meat.reduce((sum, w) => sum + w!.scaleResolutionG, 0);
}

/**
 * Folds a batch's entries into what is known of it. Pure: the same entries give the same state, in
 * whatever order they arrive. Judgement is the verdict's; this only says what was reported.
 */
export function foldBatch(recipe: Recipe, entries: readonly Entry[]): BatchState {
  const state = emptyState();
  for (const e of effectiveEntries(entries)) {
    kindOf(e.body).apply(state, e.body, e);
    state.lastS = Math.max(state.lastS, e.happenedS);
  }
  if (state.run && state.run.programName === null) state.run.program = programOf(recipe);
  settleWeighings(state);
  sumMeat(state, recipe);
  const signed = state.signature && entries.find((e) => e.id === state.signature!.entryId);
  if (signed && entries.some((e) => e.seq > signed.seq && kindOf(e.body).reopens))
    state.signature!.stands = false;
  state.touched = touchedBy(entries);
  state.withdrawn = withdrawnLogs(entries);
  state.phase = phaseOf(state, recipe);
  return state;
}
