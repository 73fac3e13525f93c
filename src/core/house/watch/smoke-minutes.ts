import { requirePositive } from '../../guard';
import type { SmokeLook } from '../../logbook/kinds/hanging';

export type SmokeSpan = { fromS: number; toS: number; as: 'smoke' | 'no_smoke' | 'unseen' };
export type SmokeMinutes = {
  /** Smoke that was seen at both ends of a stretch, s. */
  countsS: number;
  /** The fire was out, or went out at some time in it, s. */
  outS: number;
  /** Nobody looked for too long, s. */
  unseenS: number;
  spans: SmokeSpan[];
  /** Out, and not seen again since. */
  outSinceS: number | null;
  nextLookS: number;
};

/**
 * How long a product has really been in smoke, from what was seen at the vent. A stretch between two looks counts when smoke
 * was seen at both of its ends and they are at most twice the interval apart (of a longer one, the first interval); from the
 * start to the first look likewise, and from the last look for one interval. A stretch at whose end it was out counts
 * nothing, since nobody knows when the fire died; from there on nothing counts until smoke is seen again.
 * @param stages spans with smoke, s, in time order · @param looks in time order · @param everyS interval of looks, s, > 0
 * @throws RangeError naming the field
 * @source usual practice of the trade, smoke and cook: the fire dies unnoticed; minutes without smoke are no smoke
 * @example smokeMinutes({ stages: [{ fromS: 0, toS: 3600 }], looks: [{ tS: 1800, seen: 'thin' }], everyS: 1800, nowS: 3600 }).countsS // 3600
 */
export function smokeMinutes(input: {
  stages: readonly { fromS: number; toS: number | null }[];
  looks: readonly SmokeLook[];
  everyS: number;
  nowS: number;
}): SmokeMinutes {
  const everyS = requirePositive('everyS', input.everyS);
  const { nowS } = input;
  const spans: SmokeSpan[] = [];
  let outSinceS: number | null = null;
  let lastS = 0;
  for (const stage of input.stages) {
    const endS = Math.min(stage.toS ?? nowS, nowS);
    const looks = input.looks.filter((l) => l.tS >= stage.fromS && l.tS <= endS);
    let atS = stage.fromS;
    let out: boolean = outSinceS !== null;
    const put = (toS: number, as: SmokeSpan['as']) => {
      if (toS > atS) spans.push({ fromS: atS, toS, as });
      atS = Math.max(atS, toS);
    };
    for (const l of looks) {
      if (out || l.seen === 'out') put(l.tS, 'no_smoke');
      else if (l.tS - atS <= 2 * everyS) put(l.tS, 'smoke');
      else {
        put(atS + everyS, 'smoke');
        put(l.tS, 'unseen');
      }
      out = l.seen === 'out';
      outSinceS = out ? (outSinceS ?? l.tS) : null;
    }
    lastS = looks.at(-1)?.tS ?? stage.fromS;
    if (out) put(endS, 'no_smoke');
    else {
      put(Math.min(endS, atS + everyS), 'smoke');
      put(endS, 'unseen');
    }
  }
  const sum = (as: SmokeSpan['as']) =>
    spans.filter((s) => s.as === as).reduce((all, s) => all + s.toS - s.fromS, 0);
  return {
    countsS: sum('smoke'),
    outS: sum('no_smoke'),
    unseenS: sum('unseen'),
    spans,
    outSinceS,
    nextLookS: lastS + everyS,
  };
}
