import type { BatchState } from '../logbook/state';
import type { Recipe } from '../recipe/recipe';
import type { MakingRule } from '../rules/rule';

export type RawClock = {
  /** When the meat was last known to be cold, s. */
  coldS: number;
  /** How long it has been out of the cold, and the longest that it ever was, s. */
  outS: number;
  longestS: number;
  /** How long it may be, s; shorter without cure. */
  maxS: number;
  /** It is still out: nothing has been stuffed or put into a hold. */
  runs: boolean;
};

/** What was seen of raw meat at a time. */
type Seen = { tS: number; cold: boolean };

/** Times at which the meat was measured, and the first one, when it came out of the cold. */
function seenOf(s: BatchState, recipe: Recipe, coldC: number): Seen[] {
  const firstS = Math.min(...recipe.meat.map((m) => s.weighed[m.id]!.atS));
  const at = (tS: number, tempC: number | null): Seen[] =>
    tempC === null ? [] : [{ tS, cold: tempC <= coldC }];
  const stretches = s.hold?.stretches ?? [];
  return [
    { tS: firstS, cold: true },
    ...s.ticks.flatMap((t) => at(t.atS, t.tempC)),
    ...s.batter.flatMap((b) => at(b.tS, b.tempC)),
    ...Object.values(s.steps).flatMap((x) => at(x.atS, x.tempC)),
    /* A hold is judged by its own rule: what lies in it is in the cold. */
    ...stretches.flatMap((x) => [
      { tS: x.startS, cold: true },
      ...(x.endS === null ? [] : [{ tS: x.endS, cold: true }]),
    ]),
  ].sort((a, b) => a.tS - b.tS);
}

/**
 * How long the raw meat of a batch has been out of the cold: from when it was last known to be cold (taken out, measured cold,
 * in its hold) until it was stuffed. A stretch that ends cold without a warm reading in it was cold.
 * @returns null before the meat is weighed · @source site rule *making*: raw out of the cold, shorter without cure
 */
export function rawClock(
  recipe: Recipe,
  s: BatchState,
  rule: MakingRule,
  nowS: number,
): RawClock | null {
  if (s.meatG === null) return null;
  const held = s.hold !== null && s.hold.endS === null;
  const endS = s.steps.stuff?.atS ?? s.run?.startS ?? (held ? s.hold!.startS : nowS);
  const seen = seenOf(s, recipe, rule.coarse.outC).filter((x) => x.tS <= endS);
  let [coldS, longestS, warm] = [seen[0]!.tS, 0, false];
  for (const x of seen) {
    if (warm) longestS = Math.max(longestS, x.tS - coldS);
    warm = !x.cold;
    if (x.cold) coldS = x.tS;
  }
  const outS = Math.max(0, endS - coldS);
  return {
    coldS,
    outS,
    longestS: Math.max(longestS, outS),
    maxS: recipe.cure ? rule.rawCuredS : rule.rawUncuredS,
    runs: !s.steps.stuff && !s.run && !held,
  };
}
