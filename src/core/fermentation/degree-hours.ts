import type { Reading } from '../lethality/reading';
import type { FermentationRule } from '../rules/rule';

const HOUR = 3600;

/**
 * Degree-hours that a chamber at this highest temperature may take, °C·h.
 * @param warmestC of the chamber over the ferment, °C
 */
export function degreeHourLimit(rule: FermentationRule, warmestC: number): number {
  const band =
    rule.bands.find((b) => (b.inclusive ? warmestC <= b.belowC : warmestC < b.belowC)) ??
    rule.bands.at(-1)!;
  return band.degreeHours;
}

/**
 * Degree-hours above the floor over a log: `∫ max(0, tempC − floorC) dt / 3600` on straight
 * lines between readings, split exactly where they cross the floor.
 * @param readings at least two, times rising, s and °C
 * @source good-practice degree-hour limits for fermented sausage, 15.6 °C (60 °F) floor
 * @example degreeHours([{ tS: 0, tempC: 25.6 }, { tS: 36000, tempC: 25.6 }], 15.6) // 100
 */
export function degreeHours(readings: readonly Reading[], floorC: number): number {
  let sum = 0;
  for (let i = 1; i < readings.length; i += 1) {
    const [a, b] = [readings[i - 1]!, readings[i]!];
    const [low, high] = [a.tempC - floorC, b.tempC - floorC].sort((x, y) => x - y) as [
      number,
      number,
    ];
    if (high <= 0) continue;
    const share = low >= 0 ? 1 : high / (high - low);
    const mean = low >= 0 ? (low + high) / 2 : high / 2;
    sum += (mean * share * (b.tS - a.tS)) / HOUR;
  }
  return sum;
}
