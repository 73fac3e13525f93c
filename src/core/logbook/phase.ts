import { CURE_LINE } from '../formula/scale-recipe';
import type { Recipe } from '../recipe/recipe';
import { freezes, laterDrying, outcomeOf, programOf } from '../route/read';
import type { BatchState, Phase } from './state';

/** Cold again after its heat, with what comes then: a chill, a drying in a place of its own, bloom, packing. */
function afterChill(s: BatchState, recipe: Recipe): Phase {
  if (s.steps.pack) return 'to_sign';
  if (s.steps.bloom) return 'finishing';
  return laterDrying(recipe) && s.drying ? 'drying' : 'chilling';
}

function afterPull(s: BatchState, recipe: Recipe): Phase {
  const outcome = outcomeOf(recipe);
  if (outcome === 'eaten_hot' && s.chill.length === 0) return s.served ? 'to_sign' : 'serving';
  if (outcome === 'cooked' || outcome === 'eaten_hot')
    return s.chill.length === 0 ? 'chilling' : afterChill(s, recipe);
  /* Never cooked: nothing has to be chilled again. */
  return evidenceEndS(s, recipe) === null ? 'finishing' : 'to_sign';
}

/** Where a batch stands by what was reported. */
export function phaseOf(s: BatchState, recipe: Recipe): Phase {
  if (s.dispositions.some((d) => d.kind === 'destroy')) return 'destroyed';
  if (s.signature?.stands) return 'released';
  if (s.run?.pulledS != null) return afterPull(s, recipe);
  if (s.run) return 'in_house';
  if (s.hold && s.hold.endS === null) return 'cure_hold';
  const lines = [...recipe.meat.map((m) => m.id), ...(recipe.cure ? [CURE_LINE] : [])];
  if (!lines.every((id) => s.weighed[id])) return 'weighing';
  if (!s.steps.stuff || programOf(recipe).length > 0) return 'making';
  return evidenceEndS(s, recipe) === null ? 'raw' : 'to_sign';
}

/**
 * When the evidence of a batch ends: packed, served, or, of what is frozen, both packed and frozen. A signature seals
 * what was read until then. Null while it goes on.
 */
export function evidenceEndS(s: BatchState, recipe: Recipe): number | null {
  const { pack, freeze } = s.steps;
  if (s.served) return s.served.atS;
  if (!pack) return null;
  if (outcomeOf(recipe) !== 'cook_before_eating' || !freezes(recipe)) return pack.atS;
  return freeze ? Math.max(pack.atS, freeze.atS) : null;
}
