import { QuantityError, requireBetween } from '../guard';
import type { Reading } from '../lethality/reading';
import type { FermentationRule } from '../rules/rule';
import { degreeHourLimit, degreeHours } from './degree-hours';

export type DegreeHoursAhead = {
  /** °C·h until now, and what the warmest chamber, past or to come, allows. */
  soFar: number;
  limit: number;
  /** °C·h when the pH is met: early, most likely and late; null where it is not met. */
  atTarget: { p10: number | null; p50: number | null; p90: number | null };
  /** When the limit is met in this chamber, s; null: not in it. In the past: it is passed. */
  limitS: number | null;
  /** `over`: passed. `close`: the late end of the pH is beyond it. */
  status: 'over' | 'close' | 'within';
};

/**
 * Degree-hours of a ferment until now, at the hour its pH is forecast for, and when the limit is met: the chamber's log
 * with its first and last reading held to the ends, then the chamber to come.
 * @param chamber warmest of the chamber over time, at least one reading, times rising, s and °C
 * @param aheadC chamber from now on, °C · @param target hour of the pH as {@link forecastPh} gives it
 * @throws RangeError naming the field
 * @source good-practice degree-hour limits, see {@link degreeHours}
 * @example degreeHoursAhead({ rule: { targetPh: 5.3, floorC: 15.6, bands: [{ belowC: 32, degreeHours: 667 }] }, chamber: [{ tS: 0, tempC: 25.6 }], aheadC: 25.6, startS: 0, nowS: 36000, target: { p10S: 54000, p50S: 72000, p90S: 90000 } }).atTarget.p50 // 200
 */
export function degreeHoursAhead(input: {
  rule: FermentationRule;
  chamber: readonly Reading[];
  aheadC: number;
  startS: number;
  nowS: number;
  target: { p10S: number | null; p50S: number | null; p90S: number | null };
}): DegreeHoursAhead {
  const { rule, chamber, startS, nowS, target } = input;
  const aheadC = requireBetween('aheadC', input.aheadC, -20, 70);
  const [first] = chamber;
  if (!first) throw new QuantityError('chamber', 0, 'at least one reading');
  if (!(nowS >= startS)) throw new QuantityError('nowS', nowS, 'at or after startS');
  const seen = chamber.filter((r) => r.tS <= nowS);
  const log = [
    { tS: Math.min(startS, first.tS), tempC: first.tempC },
    ...seen,
    { tS: nowS, tempC: (seen.at(-1) ?? first).tempC },
  ];
  const soFar = degreeHours(log, rule.floorC);
  const warmest = log.reduce((m, r) => Math.max(m, r.tempC), aheadC);
  const limit = degreeHourLimit(rule, warmest);
  const perS = Math.max(0, aheadC - rule.floorC) / 3600;
  const at = (tS: number | null) => (tS === null ? null : soFar + perS * Math.max(0, tS - nowS));
  const atTarget = { p10: at(target.p10S), p50: at(target.p50S), p90: at(target.p90S) };
  const left = limit - soFar;
  const limitS = left < 0 ? nowS : perS > 0 ? nowS + left / perS : null;
  const late = atTarget.p90 ?? (limitS === null ? 0 : Infinity);
  return {
    soFar,
    limit,
    atTarget,
    limitS,
    status: left < 0 ? 'over' : late > limit ? 'close' : 'within',
  };
}
