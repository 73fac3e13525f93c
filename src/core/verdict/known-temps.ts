import type { Case } from './check';
import { logsOf } from './surroundings';

/** A temperature of the product before it came to a house. */
export type KnownTemp = { tS: number; tempC: number };

/**
 * What is known of the product's temperature before its core was logged, in time: readings by hand, what was
 * measured at grinding, mixing and stuffing, and the cooler at the end of a hold.
 */
export function knownTemps(c: Case): KnownTemp[] {
  const { state } = c;
  const out: KnownTemp[] = state.hand
    .filter((h) => h.what === 'core')
    .map(({ tS, tempC }) => ({ tS, tempC }));
  for (const step of ['grind', 'mix', 'stuff', 'surface_dry'] as const) {
    const done = state.steps[step];
    if (done && done.tempC !== null) out.push({ tS: done.atS, tempC: done.tempC });
  }
  const warmestC = holdWarmestC(c);
  if (state.hold?.endS != null && warmestC !== null)
    out.push({ tS: state.hold.endS, tempC: warmestC });
  return out.sort((a, b) => a.tS - b.tS);
}

/** A logger in a cooler shows its doors: warm for less than this is not the product, s. */
const DOOR_S = 1800;

/** Warmest that the cooler was in the hold: as typed, by hand, and by logger for longer than a door is open; null when nobody looked. */
export function holdWarmestC(c: Case): number | null {
  const { hold, probes } = c.state;
  if (!hold) return null;
  const inHold = (tS: number) =>
    hold.stretches.some((s) => tS >= s.startS && tS <= (s.endS ?? c.state.run?.startS ?? c.nowS));
  let warmest = hold.warmestC;
  const see = (tempC: number) => {
    warmest = Math.max(warmest ?? -Infinity, tempC);
  };
  for (const h of c.state.hand) if (h.what === 'cooler' && inHold(h.tS)) see(h.tempC);
  if (!probes.some((p) => p.what === 'cooler')) return warmest;
  const hand = new Set(c.state.hand.map((h) => h.tS));
  for (const log of logsOf(c, 'cooler')) {
    const held = log.filter((r) => inHold(r.tS) && !hand.has(r.tS));
    /* The warmest that it was for the whole of half an hour. */
    for (let i = 0, j = 0; i < held.length; i += 1) {
      while (held[i]!.tS - held[j]!.tS > DOOR_S) j += 1;
      if (held[i]!.tS - held[0]!.tS < DOOR_S && i < held.length - 1) continue;
      see(Math.min(...held.slice(j, i + 1).map((r) => r.tempC)));
    }
  }
  return warmest;
}
