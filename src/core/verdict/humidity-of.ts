import { rhFromWetBulb } from '../heat/psychrometrics';
import type { Reading } from '../lethality/reading';
import { nearest } from '../probes/series-at';
import type { Case } from './check';
import { logsOf } from './surroundings';

export type Humidity = { tS: number; rh: number; airC: number };

/** Air in which a wet bulb tells a humidity, °C. */
const AIR_C = { least: 0, most: 45 };
/** A wet bulb this much warmer than its air is only read a little off, °C; more, and one of the two is wrong. */
const WET_OVER_C = 1;

/** One reading of a log in each so long, s; every one where that is 0. */
function thinned(log: readonly Reading[], everyS: number): Reading[] {
  const out: Reading[] = [];
  for (const r of log) if (out.length === 0 || r.tS - out.at(-1)!.tS >= everyS) out.push(r);
  return out;
}

/**
 * Humidity around a batch from a dry and a wet bulb, by sensor or by hand: one for each reading of the dry one that has a wet one
 * beside it.
 * @param span from `sinceS` on; two within `nearS` belong together; one in each `everyS`, s
 * @returns in time order, rh 0 to 1; empty without a wet bulb
 */
export function humidityOf(
  c: Case,
  { sinceS, nearS, everyS = 0 }: { sinceS: number; nearS: number; everyS?: number },
): Humidity[] {
  const wet = logsOf(c, 'wet_bulb');
  if (wet.length === 0) return [];
  return logsOf(c, 'air')
    .flatMap((log) =>
      thinned(
        log.filter((r) => r.tS >= sinceS),
        everyS,
      ),
    )
    .sort((a, b) => a.tS - b.tS)
    .flatMap((air) => {
      const beside = wet
        .map((log) => nearest(log, air.tS, nearS))
        .find((r) => r !== null && r.tempC <= air.tempC + WET_OVER_C);
      if (!beside || air.tempC < AIR_C.least || air.tempC > AIR_C.most) return [];
      const rh = rhFromWetBulb(air.tempC, Math.min(beside.tempC, air.tempC));
      return [{ tS: air.tS, airC: air.tempC, rh: Math.min(1, Math.max(0, rh)) }];
    });
}
