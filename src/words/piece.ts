import type { Recipe } from '@/core';
import { MEDIUM_WORDS } from './batch';

const FIXED: Record<string, { name: string; tint: string }> = {
  prepare: { name: 'Prepare', tint: '--hang' },
  cure_hold: { name: 'Cure hold', tint: '--rest' },
  stuff: { name: 'Stuff', tint: '--hang' },
  surface_dry: { name: 'Surface-dry', tint: '--dry' },
  load: { name: 'Load the house', tint: '--hang' },
  pull: { name: 'Pull', tint: '--hang' },
  bloom: { name: 'Bloom', tint: '--rest' },
  pack: { name: 'Pack', tint: '--hang' },
};

/** Name and tint of a planned piece. */
export function pieceLook(key: string, recipe: Recipe): { name: string; tint: string } {
  const [kind, id] = key.split(':');
  if (kind === 'stage') {
    const stage = recipe.program.find((s) => s.id === id);
    return { name: stage?.name ?? 'Stage', tint: `--${stage?.kind ?? 'cook'}` };
  }
  if (kind === 'chill')
    return { name: MEDIUM_WORDS[id as keyof typeof MEDIUM_WORDS], tint: '--chill' };
  return FIXED[key] ?? { name: key, tint: '--rest' };
}
