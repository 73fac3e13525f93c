import type { Reading } from '../lethality/reading';

/** Fastest that a core can answer: diffusivity of wet meat, m²/s, and heat capacity times density, J/(m³·K). */
const DIFFUSIVITY = 1.4e-7;
const HEAT_CAPACITY = 3.6e6;
/** A film in air is no better than this, W/(m²·K), even while steam condenses. */
const BEST_FILM = 60;
const FIRST_ROOT_SQUARED = 5.783;
/** Share of that time in which no core closes half of its way to the air. */
const SHARE = 0.35;
const LONGEST_S = 300;
const SHORTEST_S = 30;
/** Nearer to the air than this nothing can be told, °C. */
const LEAST_GAP_C = 5;
const CLOSED = 0.45;
const LEAP_SHARE = 0.15;
const BACK_C = 3;
const AIR_GAP_S = 300;

/**
 * Time in which a core in air cannot close half of its distance to the air, s:
 * `0.35·(R²/(5.783·α) + ρ·cp·R/(2·h))`, the slowest of conduction and film.
 * @param diameterMm mm, > 0
 * @source first root of the infinite cylinder, Carslaw & Jaeger (1959) §7.7; lumped film term
 */
export function answerTimeS(diameterMm: number): number {
  const radiusM = diameterMm / 2000;
  const tauS =
    radiusM ** 2 / (FIRST_ROOT_SQUARED * DIFFUSIVITY) + (HEAT_CAPACITY * radiusM) / (2 * BEST_FILM);
  return Math.min(LONGEST_S, Math.max(SHORTEST_S, SHARE * tauS));
}

/** Air at each time of a log, null where the air log is silent for long; both in time order. */
function airBeside(readings: readonly Reading[], air: readonly Reading[]): (number | null)[] {
  let k = 0;
  return readings.map((r) => {
    while (k < air.length - 1 && air[k + 1]!.tS <= r.tS) k += 1;
    const at = air[k];
    return at && Math.abs(at.tS - r.tS) <= AIR_GAP_S ? at.tempC : null;
  });
}

/** First reading of a leap from j to i: the first that is further from where it began than `apartC`. */
function leapStart(readings: readonly Reading[], j: number, i: number, apartC: number): number {
  let k = j + 1;
  while (k < i && Math.abs(readings[k]!.tempC - readings[j]!.tempC) < apartC) k += 1;
  return k;
}

/**
 * Stretches in which a core probe shows the air: within {@link answerTimeS} it closed more than half of
 * its way to the air, which no core of this diameter can, and it has not left the air since.
 * @param readings core, in time order · @param air air of the same house, in time order
 * @returns index pairs, first and last reading that show air
 */
export function slidOutSpans(
  readings: readonly Reading[],
  air: readonly Reading[],
  diameterMm: number,
): [number, number][] {
  const windowS = answerTimeS(diameterMm);
  const beside = airBeside(readings, air);
  const out: [number, number][] = [];
  let j = 0;
  let i = 1;
  while (i < readings.length) {
    while (j < i - 1 && readings[i]!.tS - readings[j]!.tS > windowS) j += 1;
    const [from, to] = [readings[j]!, readings[i]!];
    const [airFrom, airTo] = [beside[j], beside[i]];
    if (airFrom == null || airTo == null || to.tS - from.tS > 2 * windowS) {
      i += 1;
      continue;
    }
    const before = airFrom - from.tempC;
    const now = airTo - to.tempC;
    const moved = (to.tempC - from.tempC) * Math.sign(before);
    const leapt =
      Math.abs(before) > LEAST_GAP_C &&
      Math.abs(now) < CLOSED * Math.abs(before) &&
      moved > (1 - CLOSED) * Math.abs(before);
    if (!leapt) {
      i += 1;
      continue;
    }
    const apart = Math.max(BACK_C, CLOSED * Math.abs(before));
    let end = i;
    const away = (k: number) =>
      beside[k] != null && Math.abs(beside[k]! - readings[k]!.tempC) > apart;
    while (
      end + 1 < readings.length &&
      !(away(end + 1) && (end + 2 >= readings.length || away(end + 2)))
    )
      end += 1;
    out.push([leapStart(readings, j, i, LEAP_SHARE * Math.abs(before)), end]);
    j = end + 1;
    i = end + 2;
  }
  return out;
}
