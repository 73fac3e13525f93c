import { fToC } from '../units/units';
import { requireReadings, timeAt, type Reading } from './reading';
import { TIME_TEMPERATURE, type TableRow } from './tables/time-temperature';

/** Tolerance for °F rows converted to °C, so that a reading of exactly 60 °C meets the 140 °F row. */
const SAME_C = 1e-9;

/**
 * Longest unbroken time at or above a temperature, s, straight lines between readings; −1 if never reached.
 * @param readings times rising, s and °C · @param tempC °C
 */
export function longestHoldS(readings: readonly Reading[], tempC: number): number {
  const floor = tempC - SAME_C;
  let best = -1;
  let start: number | null = null;
  readings.forEach((r, i) => {
    const prev = readings[i - 1];
    if (r.tempC >= floor) {
      if (start === null) start = prev ? timeAt(prev, r, tempC) : r.tS;
      best = Math.max(best, r.tS - start);
    } else if (start !== null && prev) {
      best = Math.max(best, timeAt(prev, r, tempC) - start);
      start = null;
    }
  });
  return best;
}

export type TableResult = {
  pass: boolean;
  tempF: number;
  tempC: number;
  heldS: number;
  neededS: number;
};

const neededOf = (row: TableRow, poultry: boolean) => (poultry ? row.poultryS : row.meatS);

/**
 * Judges a core log by the published table: held without a break at or above a row's temperature
 * for at least the row's time. Answers with the row that passes, or else the row nearest to passing.
 * @param readings core, in time order · @param poultry use the 7-log column
 * @returns null when no row's temperature was ever reached
 * @source see tables/time-temperature
 */
export function tableWay(readings: readonly Reading[], poultry: boolean): TableResult | null {
  requireReadings(readings);
  let best: TableResult | null = null;
  for (const row of TIME_TEMPERATURE) {
    const tempC = fToC(row.tempF);
    const heldS = longestHoldS(readings, tempC);
    if (heldS < 0) break;
    const neededS = neededOf(row, poultry);
    const result = { pass: heldS >= neededS - 1e-6, tempF: row.tempF, tempC, heldS, neededS };
    if (result.pass) return result;
    if (!best || neededS - heldS < best.neededS - best.heldS) best = result;
  }
  return best;
}

/**
 * Seconds the table asks for at a core temperature (the row at or below it), or null below its first row.
 * @param tempC core, °C · @param poultry its column of the table
 */
export function tableSecondsAt(tempC: number, poultry: boolean): number | null {
  const row = TIME_TEMPERATURE.findLast((r) => fToC(r.tempF) <= tempC + SAME_C);
  return row ? neededOf(row, poultry) : null;
}
