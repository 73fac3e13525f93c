import type { BatchState } from '@/core';

/** Names that somebody gave the pieces of a batch in which a core is measured, as they were first written. */
export function namedPieces({ probes, hand }: Pick<BatchState, 'probes' | 'hand'>): string[] {
  const names = [...probes.map((p) => p.position), ...hand.map((h) => h.piece)];
  return [...new Set(names.filter((n): n is string => n !== null && n !== ''))].sort();
}
