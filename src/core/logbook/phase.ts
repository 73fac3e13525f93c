import { CURE_LINE } from '../formula/scale-recipe';
import type { Recipe } from '../formula/recipe';
import type { BatchState, Phase } from './state';

/** Where a batch stands by what was reported. */
export function phaseOf(s: BatchState, recipe: Recipe): Phase {
  if (s.dispositions.some((d) => d.kind === 'destroy')) return 'destroyed';
  if (s.signature?.stands) return 'released';
  if (s.run?.pulledS != null) {
    if (s.chill.length === 0) return 'chilling';
    if (!s.steps.pack) return s.steps.bloom ? 'finishing' : 'chilling';
    return 'to_sign';
  }
  if (s.run) return 'in_house';
  if (s.hold && s.hold.endS === null) return 'cure_hold';
  const lines = [...recipe.meat.map((m) => m.id), ...(recipe.cure ? [CURE_LINE] : [])];
  return lines.every((id) => s.weighed[id]) ? 'making' : 'weighing';
}
