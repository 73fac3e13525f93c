import type { DispositionKind } from './kinds/holds';
import type { BatchState } from './state';

/** What may be decided about a hold, by the check that it came from; `person` for a hold that a person set. */
const FITS: Record<string, readonly DispositionKind[]> = {
  making: ['continue', 'rework', 'release_on_authority'],
  dose: ['rework', 'continue', 'release_on_authority'],
  cure_hold: ['continue', 'rework', 'release_on_authority'],
  fermentation: ['continue', 'release_on_authority'],
  come_up: ['continue', 'release_on_authority'],
  uncured_smoke: ['continue', 'release_on_authority'],
  lethality: ['cook_on', 'continue', 'release_on_authority'],
  cooling: ['continue', 'release_on_authority'],
  probe_evidence: ['continue'],
  parasites: ['continue', 'release_on_authority'],
  drying: ['continue', 'release_on_authority'],
  cold_chain: ['continue', 'release_on_authority'],
  /* What was left standing is chilled at once, or destroyed. */
  serving: ['continue'],
  person: ['continue', 'rework', 'cook_on'],
};
const ORDER: readonly DispositionKind[] = [
  'continue',
  'cook_on',
  'rework',
  'release_on_authority',
  'destroy',
];

/**
 * Dispositions that fit the open holds of a batch: those that fit every one of them, since a decision is made
 * on all. Cooking on needs something that was pulled; destroying always fits.
 */
export function fittingDispositions(state: BatchState): DispositionKind[] {
  const open = state.holds.filter((h) => h.open);
  if (open.length === 0) return ['destroy'];
  const pulled = state.run?.pulledS != null;
  return ORDER.filter(
    (kind) =>
      kind === 'destroy' ||
      ((kind !== 'cook_on' || pulled) &&
        open.every((h) => (FITS[h.check ?? 'person'] ?? ['continue']).includes(kind))),
  );
}
