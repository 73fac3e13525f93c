import type { Recipe } from '../recipe/recipe';
import { kindNamed, kindOf } from './book';
import type { Refusal } from './chapter';
import type { EntryBody, EntryKind } from './entry';
import type { BatchState } from './state';

export type Proposed = { body: EntryBody; happenedS: number; corrects: string | null };

/** A clock a little ahead is no lie: devices drift. */
const CLOCK_SLACK_S = 120;

function refuseCorrection(
  entries: ReadonlyMap<string, EntryKind>,
  proposed: Proposed,
): Refusal | null {
  if (proposed.body.kind !== 'corrected') return proposed.corrects ? 'unknown_target' : null;
  const kind = proposed.corrects ? entries.get(proposed.corrects) : undefined;
  if (!kind || !kindNamed(kind).correctable) return 'unknown_target';
  const { replacement } = proposed.body;
  return replacement && replacement.kind !== kind ? 'unknown_target' : null;
}

/** Why a closed record takes nothing of this kind, or null while it is open or the kind may follow. */
function refuseClosed(state: BatchState, body: EntryBody): Refusal | null {
  if (kindOf(body).afterSignature) return null;
  if (state.signature?.stands) return body.kind === 'signed' ? 'already_signed' : 'batch_closed';
  return state.phase === 'destroyed' ? 'batch_destroyed' : null;
}

/** Why a time can't be that of an entry of the batch, or null. */
function refuseTime(state: BatchState, atS: number | undefined, nowS: number): Refusal | null {
  if (atS === undefined) return null;
  if (atS > nowS + CLOCK_SLACK_S) return 'in_future';
  return state.startedS > 0 && atS < state.startedS ? 'before_batch' : null;
}

/**
 * Says whether a proposed entry fits the batch as it stands: the guard against two tabs, double taps
 * and clocks that are wrong. Pure; the caller holds the batch's lock.
 * @param entries the batch's entries by id, for corrections
 * @returns null when it fits, else why not
 */
export function refuse(
  recipe: Recipe,
  state: BatchState,
  entries: ReadonlyMap<string, EntryKind>,
  proposed: Proposed,
  nowS: number,
): Refusal | null {
  const { body, happenedS } = proposed;
  const moved = body.kind === 'corrected' ? body.happenedS : undefined;
  const kind = kindOf(body);
  return (
    refuseTime(state, happenedS, nowS) ??
    refuseTime(state, moved, nowS) ??
    refuseClosed(state, body) ??
    refuseCorrection(entries, proposed) ??
    (kind.stoppedByHold && state.holds.some((h) => h.open) ? 'on_hold' : null) ??
    kind.refuses?.(state, body, recipe) ??
    null
  );
}
